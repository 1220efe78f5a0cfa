// Measures a delivery of 500 icons at 12 sizes on the server's threads beside the bare pixels of the rasteriser on as many
// threads, in one run; how long the page waits meanwhile, and how much memory 2,000 icons take: npm run bench:delivery
import { execFileSync } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import { root } from '../../bin/prepare.mjs'
import { delivered, startServer } from '../server.mjs'

// The share of each target is measured by itself: npm run bench:delivery -- all
if (process.argv[2] === 'all') {
  await import('../../build/bench-targets.mjs')
  process.exit()
}

const SIZES = [12, 14, 16, 18, 20, 24, 28, 32, 36, 40, 48, 64]
const demo = JSON.parse(readFileSync(join(root, 'demo', 'quayside.wisesquare.json'), 'utf8')).set
const { masters: _, ...rules } = demo.rules
const many = (count) => ({
  ...demo,
  name: `${count} icons`,
  rules: { ...rules, sizes: SIZES, densities: [1] },
  delivery: { targets: ['png'] },
  icons: Array.from({ length: count }, (__, i) => {
    const { masters, ...icon } = demo.icons[i % demo.icons.length]
    return { ...icon, id: `icon-${i}`, name: `icon-${i}`, masters: masters.slice(0, 1) }
  }),
})

const data = join(root, 'build', 'bench-delivery-data')
rmSync(data, { recursive: true, force: true })
const server = await startServer({ port: 4392, data, empty: true })
if (!(await server.ready)) throw new Error(server.output)
const { base } = server
const add = async (set) =>
  (
    await (
      await fetch(`${base}/api/sets`, {
        method: 'POST',
        body: JSON.stringify({ format: 'wise-square-set', version: 1, set }),
      })
    ).json()
  ).id
/** Every icon of a set as it is drawn, once all are: asked for a few at a time. */
const drawn = async (id, set) => {
  const all = []
  for (let i = 0; i < set.icons.length; i += 50) {
    const ids = set.icons.slice(i, i + 50).map((icon) => icon.id)
    for (;;) {
      const icons = await (await fetch(`${base}/api/sets/${id}/drawn?ids=${ids.join()}`)).json()
      if (icons.every((icon) => !icon.pending)) {
        all.push(...icons)
        break
      }
      await new Promise((done) => setTimeout(done, 100))
    }
  }
  return all
}
/** The memory of the server and its threads, in megabytes. */
const memory = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pidOf(4392)}/status`, 'utf8'))[1]) / 1024
function pidOf(port) {
  return /pid=(\d+)/.exec(execFileSync('ss', ['-ltnp', `sport = :${port}`], { encoding: 'utf8' }))[1]
}

/** Bare pixels: documents at every size on as many threads as deliveries have. */
async function bare(documents) {
  const threads = Math.max(2, availableParallelism() - 1)
  const script = `
    const { parentPort, workerData } = require('node:worker_threads')
    const { readFileSync } = require('node:fs')
    const { initWasm, Resvg } = require('@resvg/resvg-wasm')
    initWasm(readFileSync(require.resolve('@resvg/resvg-wasm/index_bg.wasm'))).then(() => {
      parentPort.postMessage('ready')
      parentPort.on('message', () => {
        for (const svg of workerData.documents) for (const size of workerData.sizes) {
          const one = new Resvg(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'width', value: size } })
          const image = one.render()
          image.pixels
          image.free()
          one.free()
        }
        parentPort.postMessage('done')
      })
    })`
  const workers = Array.from(
    { length: threads },
    (__, k) =>
      new Worker(script, {
        eval: true,
        workerData: { documents: documents.filter((___, i) => i % threads === k), sizes: SIZES },
      }),
  )
  const all = () => Promise.all(workers.map((worker) => new Promise((done) => worker.once('message', done))))
  await all()
  const start = performance.now()
  const ended = all()
  for (const worker of workers) worker.postMessage('go')
  await ended
  const ms = performance.now() - start
  await Promise.all(workers.map((worker) => worker.terminate()))
  return ms
}

/** Makes a delivery, asking for something else all the while: how long it took, and the longest that the other waited. */
async function timedDelivery(id) {
  let longest = 0,
    isRunning = true
  const other = (async () => {
    while (isRunning) {
      const begun = performance.now()
      await (await fetch(`${base}/api/sets/${id}/releases`)).text()
      longest = Math.max(longest, performance.now() - begun)
      await new Promise((done) => setTimeout(done, 20))
    }
  })()
  const start = performance.now()
  const body = await delivered(base, id)
  const ms = performance.now() - start
  isRunning = false
  await other
  return { ms, longest, files: body.files.length }
}

try {
  const set = many(500),
    id = await add(set)
  const icons = await drawn(id, set)
  const documents = icons.map(({ svg }) => svg.light)
  const few = { ...many(39), name: 'Warm' },
    warm = await add(few)
  await drawn(warm, few)
  await timedDelivery(warm)
  // Both twice, in turn, and the lesser of each: what else the machine does counts in neither.
  const second = await add(set)
  await drawn(second, set)
  const pixels = await bare(documents),
    first = await timedDelivery(id)
  const least = Math.min(pixels, await bare(documents)),
    again = await timedDelivery(second)
  const ms = Math.min(first.ms, again.ms),
    longest = Math.max(first.longest, again.longest)
  console.log(
    `${first.files} PNG files of 500 icons in ${ms.toFixed(0)} ms, ${(ms / least).toFixed(2)} of the bare pixels (${least.toFixed(0)} ms); another request waited ${longest.toFixed(0)} ms at most`,
  )
  const huge = many(2000),
    large = await add(huge)
  await drawn(large, huge)
  const before = memory()
  let most = before
  const timer = setInterval(() => (most = Math.max(most, memory())), 100)
  const whole = await timedDelivery(large)
  clearInterval(timer)
  console.log(
    `${whole.files} files of 2,000 icons in ${(whole.ms / 1000).toFixed(1)} s; the server's memory went from ${before.toFixed(0)} to ${most.toFixed(0)} MB`,
  )
} finally {
  await server.stop()
  rmSync(data, { recursive: true, force: true })
}
