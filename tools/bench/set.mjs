// Measures what a large set costs in Chromium: the longest main-thread tasks, by what they ran and by the clock, while
// stages open, a shape is drawn, an icon deleted and put back and a rule is changed, how many elements each page has, how
// many bytes opening, saving and listing take, and how long SVG alone and a sheet as PDF take: npm run bench:set,
// npm run bench:set -- 2000. The icons are those of the demo, or of a set file that is named, over and over:
// npm run bench:set -- 5000 FILE
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { root } from '../../bin/prepare.mjs'
import { delivered, startServer } from '../server.mjs'
import { mainTasks } from './main-tasks.mjs'

const ICONS = Number(process.argv[2] ?? 500)
const NAME = `Set of ${ICONS}`
const data = join(root, 'build', 'bench-set-data')
rmSync(data, { recursive: true, force: true })
const server = await startServer({ port: 4391, data, empty: true })
if (!(await server.ready)) throw new Error(server.output)
const { base } = server
const demo = JSON.parse(readFileSync(process.argv[3] ?? join(root, 'demo', 'quayside.wisesquare.json'), 'utf8')).set
const set = {
  ...demo,
  name: NAME,
  icons: Array.from({ length: ICONS }, (_, i) => ({
    ...demo.icons[i % demo.icons.length],
    id: `icon-${i}`,
    name: `icon-${i}`,
  })),
}
const file = JSON.stringify({ format: 'wise-square-set', version: 1, set })
const post = async (path, body) => (await fetch(base + path, { method: 'POST', body })).json()
const { id } = await post('/api/sets', file)
console.log(`set file of ${ICONS} icons: ${kB(file.length)}`)
let start = performance.now()
const timed = async (what, act) => {
  start = performance.now()
  await act()
  console.log(`${what}: ${Math.round(performance.now() - start)} ms`)
}
await timed('SVG alone, none of it drawn before', () => delivered(base, id, { targets: ['svg'] }))
await timed('SVG alone again', () => delivered(base, id, { targets: ['svg'] }))
await timed('every file of the usual delivery', () => delivered(base, id))
await timed('a sheet as PDF', async () =>
  (await fetch(`${base}/api/sets/${id}/sheet?sizes=24&ground=light`)).arrayBuffer(),
)

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  let bytes = 0
  const session = await page.context().newCDPSession(page)
  await session.send('Network.enable')
  session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength))
  /**
   * Does something and says how long the main thread ran for its longest task, and how long that one took by the clock:
   * beside whatever else ran on the machine.
   */
  async function measured(name, limit, act) {
    await page.waitForTimeout(600)
    bytes = 0
    let took = 0
    const tasks = await mainTasks(browser, page, async () => {
      const begin = performance.now()
      await act()
      took = performance.now() - begin
      await page.waitForTimeout(1200)
    })
    const longest = Math.round(Math.max(...tasks.map(({ running }) => running))),
      byClock = Math.round(Math.max(...tasks.map(({ underWay }) => underWay)))
    const elements = await page.evaluate(() => document.querySelectorAll('*').length)
    console.log(
      `${name.padEnd(34)} ${String(Math.round(took)).padStart(5)} ms, longest task ran ${longest} ms (limit ${limit})${longest > limit ? ' ABOVE' : ''}, ${byClock} by the clock, ${elements} elements${elements >= 4000 ? ' ABOVE' : ''}, ${kB(bytes)} read`,
    )
  }
  const seen = (locator) => locator.first().waitFor({ timeout: 120_000 })
  await page.goto(base)
  await measured('opening the bench from the shelf', 100, async () => {
    await page.getByRole('link', { name: NAME, exact: true }).click()
    await seen(page.getByTestId('artwork'))
  })
  await measured('opening Rules', 100, async () => {
    await page.getByRole('link', { name: 'Rules' }).click()
    await seen(page.getByRole('heading', { name: 'Icons under these rules' }))
  })
  const weight = page.getByLabel('weight main', { exact: true })
  await measured('a rule changed, not yet applied', 50, async () => {
    await weight.fill('1.5')
    await weight.press('Enter')
    await seen(page.getByRole('heading', { name: new RegExp(`\\d+ of ${ICONS} icons change`) }))
  })
  await measured('the change applied', 50, () => page.getByRole('button', { name: 'Apply' }).click())
  // What is drawn anew on the server meanwhile would be measured too.
  await timed('all of it drawn again', () => delivered(base, id, { targets: ['svg'] }))
  await measured('opening Review', 100, async () => {
    await page.getByRole('link', { name: 'Review' }).click()
    await seen(page.getByRole('list', { name: 'Sheet' }))
  })
  const scrolled = (x, y) => async () => {
    await page.mouse.move(x, y)
    for (let i = 0; i < 20; i++) {
      await page.mouse.wheel(0, 300)
      await page.waitForTimeout(50)
    }
  }
  await measured('scrolling in Review', 50, scrolled(600, 500))
  await measured('a name looked for in Review', 50, async () => {
    await page.getByRole('searchbox').first().pressSequentially('an', { delay: 80 })
    await page.getByRole('searchbox').first().fill('')
  })
  await measured('two icons deleted in Review', 50, async () => {
    for (const name of ['icon-1', 'icon-2'])
      await page.getByRole('checkbox', { name: `Select ${name}`, exact: true }).click({ force: true })
    await page.getByRole('toolbar', { name: 'Selected icons' }).getByRole('button', { name: 'Delete' }).click()
    await seen(page.getByText(/^Saved/))
  })
  await measured('undone, until saved', 50, async () => {
    await page.keyboard.press('Control+z')
    await seen(page.getByText(/^Saving/))
    await seen(page.getByText(/^Saved/))
  })
  for (const view of ['balance', 'look-alikes'])
    await measured(`Review: ${view}`, 50, () => page.getByRole('radio', { name: view }).click())
  await measured('opening Deliver', 100, async () => {
    await page.getByRole('link', { name: 'Deliver' }).click()
    await seen(page.getByRole('tree'))
  })
  await measured('opening Draw', 100, async () => {
    await page.getByRole('link', { name: 'Draw', exact: true }).click()
    await seen(page.getByTestId('artwork'))
  })
  const [left, top, scale] = await page.getByTestId('artwork').evaluate((element) => {
    const { e, f, a } = element.getScreenCTM()
    return [e, f, a]
  })
  const at = (x, y) => [left + x * scale, top + y * scale]
  const draw = async (n) => {
    await page.keyboard.press('1')
    await page.mouse.move(...at(4 + n, 4))
    await page.mouse.down()
    await page.mouse.move(...at(9 + n, 9), { steps: 8 })
    await page.mouse.up()
  }
  await measured('a shape drawn', 50, () => draw(0))
  await measured('a second shape drawn', 50, () => draw(3))
  await measured('undo', 50, () => page.keyboard.press('Control+z'))
  await measured('scrolling in the family strip', 50, scrolled(40, 500))
  await measured('another icon opened', 50, () =>
    page
      .getByRole('button', { name: /^icon-\d+$/ })
      .nth(3)
      .click(),
  )

  const { epoch, revisions, set: now } = await (await fetch(`${base}/api/sets/${id}`)).json()
  const request = JSON.stringify({
    epoch,
    id: 'a-save-of-the-bench',
    bases: { icons: { [now.icons[7].id]: revisions.icons[now.icons[7].id] } },
    writes: { icons: [{ ...now.icons[7], name: 'renamed' }] },
  })
  start = performance.now()
  await post(`/api/sets/${id}/save`, request)
  console.log(`saving one edit: ${kB(request.length)} written, ${Math.round(performance.now() - start)} ms`)
  // Fifty of the largest sets would measure the disk.
  if (ICONS <= 500) {
    for (let i = 0; i < 49; i++) await post('/api/sets', file)
    start = performance.now()
    const shelf = await (await fetch(base)).text()
    console.log(`the shelf with 50 such sets: ${kB(shelf.length)}, ${Math.round(performance.now() - start)} ms`)
    await page.goto('about:blank')
    await measured('opening the shelf of 50 such sets', 100, async () => {
      await page.goto(base)
      await page.waitForTimeout(1500)
    })
  }
} finally {
  await browser.close()
  await server.stop()
}

function kB(size) {
  return `${(size / 1000).toFixed(1)} kB`
}
