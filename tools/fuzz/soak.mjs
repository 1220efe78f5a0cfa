// Works on a set for hours as a person does, by turns: draws, looks at the review, delivers, keeps releases; and says what
// memory the server and the page take meanwhile. `npm run soak -- HOURS`.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { root } from '../../bin/prepare.mjs'
import { random, startServer } from '../server.mjs'

const hours = Number(process.argv[2] ?? 1)
if (!(hours > 0)) {
  console.error('npm run soak -- HOURS')
  process.exit(2)
}
const data = join(root, 'build', 'soak-data')
rmSync(data, { recursive: true, force: true })
mkdirSync(data, { recursive: true })
const server = await startServer({ port: 4393, data })
if (!(await server.ready)) throw new Error(server.output)
const next = random(1)
const faults = []

/** The memory of the server's process, in megabytes. */
const serverMemory = () =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.child.pid}/status`, 'utf8'))[1]) / 1024

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--js-flags=--expose-gc'],
})
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
page.on('pageerror', (error) => faults.push(error.message))

/** The memory of the page's own values after what nobody needs is cleared, in megabytes. */
const pageMemory = () =>
  page.evaluate(() => {
    globalThis.gc?.()
    return performance.memory.usedJSHeapSize / 2 ** 20
  })
const saved = () => page.getByText(/^Saved · rev/).waitFor()
const stage = (name) => page.getByRole('link', { name, exact: true }).click()

async function draw() {
  await stage('Draw')
  const artwork = page.getByTestId('artwork')
  await artwork.waitFor({ state: 'attached' })
  const [left, top, scale] = await artwork.evaluate((element) => {
    const { e, f, a } = element.getScreenCTM()
    return [e, f, a]
  })
  for (let i = 0; i < 8; i++) {
    await page.keyboard.press(next() < 0.5 ? '1' : '2')
    const at = () => [left + scale * (2 + 20 * next()), top + scale * (2 + 20 * next())]
    await page.mouse.move(...at())
    await page.mouse.down()
    await page.mouse.move(...at(), { steps: 4 })
    await page.mouse.up()
  }
  await saved()
  for (let i = 0; i < 8; i++) await page.keyboard.press('Control+z')
  await saved()
}

async function review() {
  await stage('Review')
  await page.getByRole('list', { name: 'Sheet' }).waitFor()
}

async function deliver() {
  await stage('Deliver')
  await page.getByRole('tree').waitFor()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Download as a zip' }).click()
  await (await download).delete()
}

// A busy machine is no fault.
page.setDefaultTimeout(300_000)
const end = performance.now() + hours * 3_600_000
const figures = []
try {
  await page.goto(server.base)
  await page.getByRole('link', { name: 'Quayside', exact: true }).click()
  for (let round = 1; performance.now() < end && !server.ended; round++) {
    for (const act of [draw, review, deliver]) await act()
    figures.push({ server: serverMemory(), page: await pageMemory() })
    if (round % 10 === 1) {
      const { server: own, page: its } = figures.at(-1)
      console.log(`round ${round}: server ${Math.round(own)} MB, page ${Math.round(its)} MB`)
    }
  }
} finally {
  await browser.close()
  await server.stop()
}
const middle = (list) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)]
const third = Math.max(1, Math.floor(figures.length / 3))
for (const of of ['server', 'page']) {
  const all = figures.map((one) => one[of])
  const [first, last] = [middle(all.slice(third, 2 * third)), middle(all.slice(-third))]
  console.log(`${of}: ${Math.round(first)} MB in the second third, ${Math.round(last)} MB in the last`)
  if (last > 1.25 * first + 16) faults.push(`the ${of} grows`)
}
console.log(`${figures.length} rounds in ${hours} h, ${faults.length} faults`)
for (const fault of faults.slice(0, 10)) console.log(fault)
process.exit(faults.length > 0 ? 1 : 0)
