// Measures the geometry kernel against its peers, on the same inputs in one run: npm run bench:geometry
import { execFileSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { pathData } from '../../src/core/formats/path-data'
import { readPathData } from '../../src/core/formats/path-reader'
import { area } from '../../src/core/geometry/area'
import { ellipse, segmentCount } from '../../src/core/geometry/path'
import { strokedArea } from '../../src/core/outline/stroking'
import { arrange } from '../../src/core/planar/arrangement'
import { combine, type Role } from '../../src/core/planar/boolean'
import { shippedFace } from '../../src/core/text/faces'
import { textPath } from '../../src/core/text/layout'
import { faultOf } from '../../src/testing/kernel-faults'
import { pathsOf } from '../../src/testing/icon-paths'
import { type Case, cases, kernel, paperPeer, pathkitPeer, ROLES } from '../../src/testing/peers'
import { random, randomShape } from '../../src/testing/shapes'
import { compareStrokes } from '../../src/testing/strokes'

const peers = [kernel(), paperPeer(), await pathkitPeer()]

// A process of its own, which says how long the first hundred booleans take in it.
if (process.argv[2] === '--first') {
  const { run } = peers[Number(process.argv[3])]!,
    first = cases(100, 31)
  const start = performance.now()
  for (const one of first) run(one)
  console.log(performance.now() - start)
  process.exit()
}

/**
 * Rounds in which the peers take turns; the least time of each counts, which is what a machine with other work to do
 * says least about.
 */
const ROUNDS = 15

const report = (title: string, all: readonly Case[]) => {
  const results = peers.map(({ name }) => ({ name, ms: Infinity, segments: 0 }))
  for (let round = 0; round < ROUNDS; round++) {
    peers.forEach(({ run }, i) => {
      const start = performance.now()
      const texts = all.map((one) => run(one))
      results[i]!.ms = Math.min(results[i]!.ms, performance.now() - start)
      results[i]!.segments = texts.reduce((sum, text) => sum + segmentCount(readPathData(text)), 0)
    })
  }
  const best = Math.min(...results.slice(1).map(({ ms }) => ms)),
    fewest = Math.min(...results.slice(1).map(({ segments }) => segments))
  console.log(`\n${title}`)
  for (const { name, ms, segments } of results)
    console.log(`  ${name.padEnd(8)} ${ms.toFixed(0).padStart(6)} ms  ${String(segments).padStart(6)} segments`)
  console.log(
    `  time to the faster peer ${(results[0]!.ms / best).toFixed(2)}, segments to the fewer ${(results[0]!.segments / fewest).toFixed(2)}`,
  )
}

report('200 mixed booleans, parsing and writing included', cases(200, 5))
report('200 booleans of circles and rectangles', cases(200, 6, ['circle', 'rectangle']))
report('a fan of five overlapping circles', [
  {
    op: 'union',
    paths: [
      [4, 14],
      [8, 10],
      [12, 8.5],
      [16, 10],
      [20, 14],
    ].map(([x, y]) => pathData([ellipse({ x: x!, y: y! }, 4.5, 4.5)])),
  },
])

{
  const times = peers.map(({ name }, i) => ({
    name,
    ms: Math.min(
      ...Array.from({ length: 5 }, () =>
        Number(execFileSync(process.execPath, [process.argv[1]!, '--first', String(i)], { encoding: 'utf8' })),
      ),
    ),
  }))
  console.log(
    `\nthe first hundred booleans of a fresh process: ${times.map(({ name, ms }) => `${name} ${ms.toFixed(0)} ms`).join(', ')}; to the faster peer ${(times[0]!.ms / Math.min(times[1]!.ms, times[2]!.ms)).toFixed(2)}`,
  )
}

{
  const folder = join(
    dirname(createRequire(join(process.cwd(), 'package.json')).resolve('lucide-static/package.json')),
    'icons',
  )
  const files = readdirSync(folder)
    .filter((name) => name.endsWith('.svg'))
    .sort()
  const icons = Array.from({ length: 400 }, (_, i) =>
    pathsOf(readFileSync(join(folder, files[Math.floor((i * files.length) / 400)]!), 'utf8'))
      .flatMap((d) => pathData(readPathData(d), 6))
      .join(' '),
  )
  const able = peers
    .filter(({ stroke }) => stroke !== null)
    .map(({ name, stroke }) => ({ name, stroke: stroke!, ms: Infinity, segments: 0 }))
  for (let round = 0; round < ROUNDS; round++) {
    for (const one of able) {
      const start = performance.now()
      const texts = icons.map((d) => one.stroke(d))
      one.ms = Math.min(one.ms, performance.now() - start)
      one.segments = texts.reduce((sum, text) => sum + segmentCount(readPathData(text)), 0)
    }
  }
  console.log('\nstrokes of 400 whole icons, parsing and writing included')
  for (const { name, ms, segments } of able)
    console.log(`  ${name.padEnd(8)} ${ms.toFixed(0).padStart(6)} ms  ${String(segments).padStart(6)} segments`)
  console.log(
    `  time to the peer ${(able[0]!.ms / able[1]!.ms).toFixed(2)}, segments ${(able[0]!.segments / able[1]!.segments).toFixed(2)}`,
  )
}

for (const [word, size, width] of [
  ['Quay', 6, 2],
  ['abcdefghijklmnopqrstuvwxyz', 4, 1],
] as const) {
  const path = textPath(word, shippedFace(400), { size, spacing: 0 })
  let ms = Infinity,
    segments = 0
  for (let i = 0; i < 12; i++) {
    const start = performance.now()
    segments = segmentCount(strokedArea(path, { width, cap: 'round', join: 'round', miterLimit: 4 }))
    ms = Math.min(ms, performance.now() - start)
  }
  console.log(`\n“${word}” of size ${size} stroked with weight ${width}: ${ms.toFixed(0)} ms, ${segments} segments`)
}

for (const count of [60, 200]) {
  const next = random(9)
  const circles = Array.from({ length: count }, () => {
    const r = 4 + next() * 5
    return [ellipse({ x: next() * 24, y: next() * 24 }, r, r)]
  })
  const runs = Array.from({ length: 5 }, () => {
    const start = performance.now()
    arrange(circles)
    return performance.now() - start
  }).sort((a, b) => a - b)
  const { windings, vertices } = arrange(circles)
  console.log(
    `\narrangement of ${count} circles: ${runs[2]!.toFixed(0)} ms, ${vertices.length} vertices, ${windings.length} faces`,
  )
}

{
  const next = random(12),
    round = ['circle', 'rectangle', 'rounded'] as const
  let worst = 0
  const start = performance.now()
  for (let i = 0; i < 10_000; i++) {
    const [a, b] = [randomShape(next, round).path, randomShape(next, round).path]
    const of = (role: Role) =>
      area(
        combine([
          { path: a, role: 'adds' },
          { path: b, role },
        ]),
      )
    worst = Math.max(worst, Math.abs(of('adds') + of('overlap') - area(a) - area(b)) / (area(a) + area(b)))
  }
  console.log(
    `\n10,000 pairs: area(A∪B) + area(A∩B) differs from area(A) + area(B) by at most ${worst.toExponential(1)} of it, ${((performance.now() - start) / 20_000).toFixed(3)} ms a boolean`,
  )
}

{
  const faults = Array.from({ length: 5000 }, (_, i) => i + 1).filter((seed) => faultOf(seed) !== null)
  console.log(
    `\n5,000 random cases against the oracle: ${faults.length} wrong${faults.length > 0 ? ` (seeds ${faults.slice(0, 10).join(', ')})` : ''}; npm run fuzz -- 100000 1 for more`,
  )
}

{
  const { count, mean, worst, segments, failed } = compareStrokes(1000, { cap: 'round', join: 'round', miterLimit: 4 })
  console.log(
    `\n${count} icons with their strokes outlined, beside the rasteriser's stroking at 256 px: mean difference ${(100 * mean).toFixed(3)} % of ink, greatest ${(100 * worst[0]!.difference).toFixed(3)} % (${worst[0]!.name}), ${failed.length} failed, ${segments} segments`,
  )
}

{
  const all = cases(500, 21).map(({ op, paths }) =>
    paths.map((path) => ({ path: readPathData(path), role: ROLES[op] })),
  )
  const heap = () => {
    globalThis.gc?.()
    return process.memoryUsage().heapUsed / 2 ** 20
  }
  all.forEach((one) => combine(one))
  const before = heap()
  for (let i = 0; i < 100_000; i++) combine(all[i % all.length]!)
  console.log(`\nheap before and after 100,000 booleans: ${before.toFixed(1)} MB, ${heap().toFixed(1)} MB`)
}
