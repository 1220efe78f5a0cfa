// Measures what dragging 50 selected objects of 300 costs on the bench, in script time for each frame, how long a click
// takes to be answered, and how long after an edit the proofs have followed, in headless Chromium: npm run bench:drag
// `--at URL` measures a server that runs already; else the built product is started on a data folder of its own.
import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { root } from '../../bin/prepare.mjs'

const PORT = 4396
const given = process.argv[process.argv.indexOf('--at') + 1]
const base = process.argv.includes('--at') ? given : `http://127.0.0.1:${PORT}`
const data = join(root, 'build', 'bench-data')

let server = null
if (!process.argv.includes('--at')) {
  rmSync(data, { recursive: true, force: true })
  server = spawn(join(root, 'bin', 'start'), ['--port', String(PORT), '--data', data], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise((resolve, reject) => {
    server.stdout.on('data', (text) => String(text).includes(base) && resolve())
    server.on('exit', () => reject(new Error('The server did not start.')))
  })
}
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const objects = Array.from({ length: 300 }, (_, i) => shape(i))
  await page.goto(base)
  const quayside = await page.getByRole('link', { name: 'Quayside', exact: true }).getAttribute('href')
  const set = await (await page.request.get(`${base}/api${quayside.replace('/draw', '/file')}`)).json()
  set.set.name = `Drag ${Date.now()}`
  set.set.icons = [{ ...set.set.icons[0], name: 'many', masters: [{ base: 24, objects }] }]
  const { id } = await (
    await page.request.post(`${base}/api/sets`, {
      data: JSON.stringify(set),
      headers: { 'content-type': 'application/json' },
    })
  ).json()
  await page.goto(`${base}/sets/${id}/draw/many`)
  await page.getByTestId('artwork').waitFor({ state: 'attached' })
  await page.waitForTimeout(1500)
  const [left, top, scale] = await page.getByTestId('artwork').evaluate((element) => {
    const { e, f, a } = element.getScreenCTM()
    return [e, f, a]
  })
  const at = (x, y) => [left + x * scale, top + y * scale]
  // A box around the two upper rows selects fifty.
  await page.mouse.move(...at(-0.9, -0.9))
  await page.mouse.down()
  await page.mouse.move(...at(25, 2.9), { steps: 4 })
  await page.mouse.up()
  const selected = await page.getByRole('row', { name: /selected$/ }).getAttribute('aria-label')
  const session = await page.context().newCDPSession(page)
  await session.send('Performance.enable')
  const metrics = async () =>
    Object.fromEntries((await session.send('Performance.getMetrics')).metrics.map(({ name, value }) => [name, value]))
  const frame = () => page.evaluate(() => new Promise((done) => requestAnimationFrame(done)))
  await page.mouse.move(...at(0.5, 0.5))
  await page.mouse.down()
  // From the pointer's event to when the page is free again: what stands between a move and its frame.
  await page.evaluate(() => {
    globalThis.answers = []
    addEventListener(
      'pointermove',
      () => {
        const start = performance.now(),
          { port1, port2 } = new MessageChannel()
        port1.onmessage = () => globalThis.answers.push(performance.now() - start)
        port2.postMessage(0)
      },
      true,
    )
  })
  const script = [],
    whole = []
  for (let i = 1; i <= 120; i++) {
    const before = await metrics()
    await page.mouse.move(...at(0.5 + i * 0.05, 0.5 + Math.sin(i / 9) * 2))
    await frame()
    const after = await metrics()
    script.push(1000 * (after.ScriptDuration - before.ScriptDuration))
    whole.push(1000 * (after.TaskDuration - before.TaskDuration))
  }
  const started = Date.now()
  await page.mouse.up()
  await frame()
  const release = Date.now() - started
  const percentile = (list, p) => list.toSorted((a, b) => a - b)[Math.floor(list.length * p)].toFixed(1)
  console.log(`${selected} of ${objects.length}, dragged over ${script.length} frames`)
  const answers = await page.evaluate(() => globalThis.answers)
  console.log(
    `answer to a move: median ${percentile(answers, 0.5)} ms, 95th percentile ${percentile(answers, 0.95)} ms, most ${percentile(answers, 0.999)} ms`,
  )
  console.log(
    `script a frame: median ${percentile(script, 0.5)} ms, 95th percentile ${percentile(script, 0.95)} ms, most ${percentile(script, 0.999)} ms`,
  )
  console.log(
    `all main-thread work a frame: median ${percentile(whole, 0.5)} ms, 95th percentile ${percentile(whole, 0.95)} ms`,
  )
  console.log(`(on this machine at this moment, a hundred million square roots take ${roots()} ms)`)
  console.log(`release to the next frame: ${release} ms`)
  await page.keyboard.press('Escape')
  const clicks = []
  for (let i = 0; i < 20; i++) {
    const [x, y] = at((i % 5) * 2.88 + 0.35, 5.3 + Math.floor(i / 5) * 1.6)
    await page.mouse.move(x, y)
    await page.evaluate(() => {
      addEventListener('pointerdown', () => (globalThis.pressed = performance.now()), { capture: true, once: true })
      addEventListener(
        'pointerup',
        () =>
          requestAnimationFrame(() => {
            const { port1, port2 } = new MessageChannel()
            port1.onmessage = () => (globalThis.shown = performance.now() - globalThis.pressed)
            port2.postMessage(0)
          }),
        { once: true },
      )
    })
    await page.mouse.click(x, y)
    await frame()
    await frame()
    clicks.push(await page.evaluate(() => globalThis.shown))
  }
  console.log(
    `click to the frame that shows it, among ${objects.length}: median ${percentile(clicks, 0.5)} ms, 95th percentile ${percentile(clicks, 0.95)} ms`,
  )
  await page.goto(`${base}${quayside}/ferry`)
  await page.getByTestId('artwork').waitFor({ state: 'attached' })
  await page.waitForTimeout(1500)
  await page.keyboard.press('Control+a')
  const first = [],
    last = []
  for (let i = 0; i < 20; i++) {
    await page.evaluate(() => {
      const { prototype } = CanvasRenderingContext2D
      globalThis.draw ??= prototype.putImageData
      globalThis.times = []
      prototype.putImageData = function (...all) {
        globalThis.times.push(performance.now() - globalThis.pressed)
        return globalThis.draw.apply(this, all)
      }
      addEventListener('keydown', () => (globalThis.pressed = performance.now()), { capture: true, once: true })
    })
    await page.keyboard.press(i % 2 ? 'ArrowLeft' : 'ArrowRight')
    await page.waitForTimeout(600)
    const times = await page.evaluate(() => globalThis.times)
    first.push(times[0] ?? Infinity)
    last.push(times.at(-1) ?? Infinity)
  }
  console.log(
    `edit to the first proof: median ${percentile(first, 0.5)} ms, 95th percentile ${percentile(first, 0.95)} ms; to the last: ${percentile(last, 0.5)} and ${percentile(last, 0.95)} ms`,
  )
} finally {
  await browser.close()
  server?.kill('SIGTERM')
}

/** How fast the machine is just now, which other work on it changes by an order of magnitude. */
function roots() {
  const start = performance.now()
  let sum = 0
  for (let i = 0; i < 1e8; i++) sum += Math.sqrt(i)
  return sum > 0 ? Math.round(performance.now() - start) : 0
}

/** One of 300 shapes in a lattice of twenty-five across. */
function shape(i) {
  const x = (i % 25) * 0.96,
    y = Math.floor(i / 25) * 1.6
  const common = { id: `o${i}`, name: `Object ${i}`, style: { fill: 'none', stroke: 'ink', weight: 0.1 } }
  if (i % 3 === 0) return { kind: 'rectangle', ...common, x, y, w: 0.7, h: 1, corner: 0.2 }
  if (i % 3 === 1) return { kind: 'ellipse', ...common, x, y, w: 0.7, h: 1 }
  return {
    kind: 'path',
    ...common,
    corner: 0,
    contours: [
      {
        closed: true,
        nodes: [
          { x, y, out: { x: 0.3, y: -0.1 } },
          { x: x + 0.7, y: y + 0.2, in: { x: -0.2, y: -0.3 } },
          { x: x + 0.4, y: y + 1 },
        ],
      },
    ],
  }
}
