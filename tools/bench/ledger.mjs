// Measures how long the bench takes to answer among many objects of one icon, from the event to the page being free
// again: select all, assemble, ten steps of zoom, a drag, a row by Shift: npm run bench:ledger, npm run bench:ledger -- 300
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { root } from '../../bin/prepare.mjs'
import { startServer } from '../server.mjs'

const OBJECTS = Number(process.argv[2] ?? 160)
const data = join(root, 'build', 'bench-ledger-data')
rmSync(data, { recursive: true, force: true })
const server = await startServer({ port: 4391, data })
if (!(await server.ready)) throw new Error(server.output)
const { base } = server
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(base)
  const quayside = await page.getByRole('link', { name: 'Quayside', exact: true }).getAttribute('href')
  const file = await (await page.request.get(`${base}/api${quayside.replace('/draw', '/file')}`)).json()
  file.set.name = `Ledger ${Date.now()}`
  file.set.icons = [
    { id: 'many', name: 'many', masters: [{ base: 24, objects: Array.from({ length: OBJECTS }, (_, i) => shape(i)) }] },
  ]
  const { id } = await (await page.request.post(`${base}/api/sets`, { data: file })).json()
  await page.goto(`${base}/sets/${id}/draw/many`)
  await page.getByTestId('artwork').waitFor({ state: 'attached' })
  await page.waitForTimeout(4000)
  // An event is answered when the frame that shows it is there and the page is free again.
  const answered = async (act) => {
    await page.evaluate(() => {
      globalThis.begun = null
      const note = () => (globalThis.begun ??= performance.now())
      for (const type of ['keydown', 'pointerdown', 'pointermove', 'wheel', 'mousedown'])
        addEventListener(type, note, { capture: true, once: true })
    })
    await act()
    return page.evaluate(
      () =>
        new Promise((resolve) =>
          requestAnimationFrame(() => {
            const { port1, port2 } = new MessageChannel()
            port1.onmessage = () => resolve(performance.now() - globalThis.begun)
            port2.postMessage(0)
          }),
        ),
    )
  }
  const measure = async (what, times, act, between = async () => undefined) => {
    const all = []
    for (let i = 0; i < times; i++) {
      all.push(await answered(() => act(i)))
      await between(i)
      await page.waitForTimeout(700)
    }
    const at = (share) => all.toSorted((a, b) => a - b)[Math.floor(all.length * share)].toFixed(0)
    console.log(`${what}: median ${at(0.5)} ms, most ${at(0.999)} ms`)
  }
  const [left, top, scale] = await page.getByTestId('artwork').evaluate((element) => {
    const { e, f, a } = element.getScreenCTM()
    return [e, f, a]
  })
  const at = (x, y) => [left + x * scale, top + y * scale]
  console.log(`${OBJECTS} objects`)
  await page.mouse.move(...at(23.5, 23.5))
  const nothing = () => page.keyboard.press('Escape')
  await measure('select all', 8, () => page.keyboard.press('Control+a'), nothing)
  await measure(
    'a row of the ledger by its key',
    8,
    () => page.keyboard.press('ArrowDown'),
    async () => undefined,
  )
  await measure('one step of zoom', 10, async () => {
    await page.keyboard.down('Control')
    await page.mouse.wheel(0, -60)
    await page.keyboard.up('Control')
  })
  await page.keyboard.press('0')
  await page.waitForTimeout(800)
  await page.mouse.move(...at(0.35, 0))
  await page.mouse.down()
  await measure('a move of a drag of one object', 10, (i) => page.mouse.move(...at(0.5 + i * 0.3, 0.2 + i * 0.1)))
  await page.mouse.up()
  await page.keyboard.press('Control+z')
  await page.waitForTimeout(800)
  await measure(
    'assemble all',
    4,
    async () => page.keyboard.press('a'),
    async () => {
      await page.waitForTimeout(1500)
      await page.keyboard.press('Control+z')
      await page.waitForTimeout(1500)
      await page.keyboard.press('Control+a')
    },
  )
} finally {
  await browser.close()
  await server.stop()
}

/** One of many shapes in a lattice of sixteen across. */
function shape(i) {
  const x = (i % 16) * 1.5,
    y = Math.floor(i / 16) * 1.5
  const common = { id: `o${i}`, name: `Object ${i}`, style: { fill: 'none', stroke: 'ink', weight: 0.25 } }
  return i % 2
    ? { kind: 'rectangle', ...common, x, y, w: 1, h: 1, corner: 0.2 }
    : { kind: 'ellipse', ...common, x, y, w: 1, h: 1 }
}
