// A walk through every stage in Firefox, on the demo sets in a folder of its own: npm run smoke:firefox -- [PICTURES].
// It needs Debian's firefox-esr. Ends with 1 where a step fails or the browser reports an error.
import { mkdirSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import puppeteer from 'puppeteer-core'
import { build, root } from '../../bin/prepare.mjs'
import { startServer } from '../server.mjs'

const pictures = process.argv[2] && resolve(process.argv[2])
const data = join(root, 'build', 'smoke-firefox')
rmSync(data, { recursive: true, force: true })
if (pictures) mkdirSync(pictures, { recursive: true })
build()

const server = await startServer({ port: 4391, data })
if (!(await server.ready)) throw new Error(`The server did not start: ${server.output}`)
const browser = await puppeteer.launch({
  browser: 'firefox',
  executablePath: '/usr/bin/firefox-esr',
  headless: true,
  defaultViewport: { width: 1280, height: 800 },
})
const page = await browser.newPage()
const reported = []
page.on('console', (message) => message.type() === 'error' && reported.push(`${page.url()}: ${message.text()}`))
page.on('pageerror', (error) => reported.push(`${page.url()}: ${error.message}`))

let failed = 0
/** Runs one step of the walk and says how it went; later steps run in any case. */
async function step(what, act) {
  try {
    await act()
    console.log(`✓ ${what}`)
  } catch (error) {
    failed++
    console.log(`✗ ${what}: ${error.message}`)
  }
  if (pictures) await page.screenshot({ path: join(pictures, `${what.replace(/[^a-z]+/gi, '-').toLowerCase()}.png`) })
}
const seen = (selector) => page.waitForSelector(selector, { visible: true, timeout: 20_000 })
const press = (key) => page.keyboard.press(key)
const rows = () => page.$$eval('[role=row][data-object]', (all) => all.length)
/** Waits until a question has the answer, and fails after ten seconds. */
async function until(question, answer) {
  let last
  for (const end = Date.now() + 10_000; Date.now() < end; await new Promise((done) => setTimeout(done, 100))) {
    last = await question()
    if (last === answer) return
  }
  throw new Error(`expected ${answer}, found ${last}`)
}
const stage = async (name) => {
  await (await seen(`::-p-xpath(//nav//a[normalize-space()="${name}"])`)).click()
}

await step('The shelf shows the demo sets', async () => {
  await page.goto(server.base)
  await (await seen('::-p-xpath(//a[normalize-space()="Quayside"])')).click()
  await seen('[data-testid=artwork]')
})
await step('Each size has its proof', () => seen('aside[aria-label=Proofs] canvas, aside[aria-label=Proofs] img'))
await step('A rectangle is drawn and its place is typed', async () => {
  await press('Escape')
  const before = await rows()
  const { x, y, width } = await (await seen('[data-testid=artwork]')).boundingBox()
  const at = (share) => [x + width * share, y + width * share]
  await press('1')
  await page.mouse.move(...at(0.3))
  await page.mouse.down()
  await page.mouse.move(...at(0.4), { steps: 4 })
  await page.mouse.move(...at(0.5), { steps: 4 })
  await page.mouse.up()
  await until(rows, before + 1)
  const cell = await seen('[role=row][aria-selected=true] [data-cell]')
  await cell.focus()
  await page.keyboard.down('Control')
  await press('z')
  await page.keyboard.up('Control')
  await until(rows, before)
})
await step('Every tool is taken and left', async () => {
  await page.mouse.click(640, 300)
  for (const key of '123456789qwertyuiasdfghj') {
    await press(key)
    await press('Escape')
  }
  await press('q')
})
await step('The command box finds a command', async () => {
  await page.keyboard.down('Control')
  await press('k')
  await page.keyboard.up('Control')
  await seen('[cmdk-input]')
  await page.keyboard.type('union')
  await seen('[cmdk-item]')
  await press('Escape')
})
await step('The fields of Rules show their whole text', async () => {
  await stage('Rules')
  await seen('input[aria-label^="Name of keyline"], input[aria-label*="keyline"]')
  const cut = await page.$$eval('input', (all) =>
    all
      .filter((one) => one.type !== 'checkbox' && one.clientWidth > 0 && one.scrollWidth > one.clientWidth + 1)
      .map((one) => one.getAttribute('aria-label')),
  )
  if (cut.length > 0) throw new Error(`cut short: ${cut.join(', ')}`)
})
await step('Review shows the sheet', async () => {
  await stage('Review')
  await seen('[aria-label=Sheet] canvas, [aria-label=Sheet] img')
})
await step('Deliver lists its files', async () => {
  await stage('Deliver')
  await seen('[role=tree] [role=treeitem]')
})
await step('A file is downloaded whole', async () => {
  const url = await page.url()
  const size = await page.evaluate(
    async (path) => {
      const response = await fetch(path)
      return response.ok ? (await response.arrayBuffer()).byteLength : -response.status
    },
    `${new URL(url).pathname.replace(/^\/sets\/([^/]+).*/, '/api/sets/$1/file')}`,
  )
  if (size < 1000) throw new Error(`the set file has ${size} bytes`)
})

for (const one of reported) console.log(`reported: ${one}`)
await browser.close()
server.child.kill()
await server.exited
rmSync(data, { recursive: true, force: true })
console.log(`${failed} failed, ${reported.length} errors reported`)
process.exit(failed + reported.length > 0 ? 1 : 0)
