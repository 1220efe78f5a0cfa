// Measures the geometry kernel against its peers, on the same inputs in one run: npm run bench:geometry
import { createRequire } from 'node:module'
import { readFileSync } from 'node:fs'
import paper from 'paper'
import { pathData } from '../src/core/formats/path-data'
import { readPathData } from '../src/core/formats/path-reader'
import { ellipse, segmentCount } from '../src/core/geometry/path'
import { arrange } from '../src/core/planar/arrangement'
import { combine, type Role } from '../src/core/planar/boolean'
import { area } from '../src/core/geometry/area'
import { faultOf } from './fuzz'
import { random, randomShape } from './shapes'
import { compareStrokes } from './strokes'

const require = createRequire(import.meta.url)

type Operation = 'union' | 'subtract' | 'intersect' | 'exclude'
type Case = { readonly op: Operation; readonly paths: readonly string[] }

/** A program that combines path data and gives path data back. */
type Peer = { readonly name: string; readonly run: (one: Case) => string }

const ROLES: Record<Operation, Role> = { union: 'adds', subtract: 'cuts', intersect: 'overlap', exclude: 'flips' }
const OPERATIONS = Object.keys(ROLES) as Operation[]

function kernel(): Peer {
  return { name: 'kernel', run: ({ op, paths }) => pathData(combine(paths.map((path) => ({ path: readPathData(path), role: ROLES[op] })))) }
}

function paperPeer(): Peer {
  const scope = new paper.PaperScope()
  scope.setup(new scope.Size(1, 1))
  const method = { union: 'unite', subtract: 'subtract', intersect: 'intersect', exclude: 'exclude' } as const
  return {
    name: 'paper',
    run: ({ op, paths }) => {
      const [first, ...rest] = paths.map((path) => new scope.CompoundPath({ pathData: path, fillRule: 'nonzero', insert: false }) as paper.PathItem)
      return rest.reduce((so, path) => so[method[op]](path, { insert: false }), first!).pathData
    },
  }
}

async function pathkitPeer(): Promise<Peer> {
  const init = require('pathkit-wasm/bin/pathkit.js') as (options: object) => { then: (f: (kit: Pathkit) => void) => void }
  const wasmBinary = readFileSync(require.resolve('pathkit-wasm/bin/pathkit.wasm'))
  // What is awaited must not be the module itself, which calls itself ready for ever.
  const { kit } = await new Promise<{ kit: Pathkit }>((resolve) => init({ wasmBinary }).then((ready) => resolve({ kit: ready })))
  const names = { union: 'UNION', subtract: 'DIFFERENCE', intersect: 'INTERSECT', exclude: 'XOR' } as const
  return {
    name: 'pathkit',
    run: ({ op, paths }) => {
      const [first, ...rest] = paths.map((path) => kit.FromSVGString(path))
      for (const path of rest) {
        first!.op(path, kit.PathOp[names[op]])
        path.delete()
      }
      const text = first!.toSVGString()
      first!.delete()
      return text
    },
  }
}

type Pathkit = {
  FromSVGString(text: string): { op(other: unknown, op: unknown): void; toSVGString(): string; delete(): void }
  PathOp: Record<string, unknown>
}

const cases = (count: number, seed: number, kinds?: Parameters<typeof randomShape>[1]): Case[] => {
  const next = random(seed)
  return Array.from({ length: count }, () => ({
    op: OPERATIONS[Math.floor(next() * 4)]!,
    paths: Array.from({ length: 2 + Math.floor(next() * 4) }, () => pathData(randomShape(next, kinds).path, 9)),
  }))
}

/** Rounds in which the peers take turns; the least time of each counts, which is what a machine with other work to do says least about. */
const ROUNDS = 15

const peers = [kernel(), paperPeer(), await pathkitPeer()]
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
  const best = Math.min(...results.slice(1).map(({ ms }) => ms)), fewest = Math.min(...results.slice(1).map(({ segments }) => segments))
  console.log(`\n${title}`)
  for (const { name, ms, segments } of results) console.log(`  ${name.padEnd(8)} ${ms.toFixed(0).padStart(6)} ms  ${String(segments).padStart(6)} segments`)
  console.log(`  time to the faster peer ${(results[0]!.ms / best).toFixed(2)}, segments to the fewer ${(results[0]!.segments / fewest).toFixed(2)}`)
}

report('200 mixed booleans, parsing and writing included', cases(200, 5))
report('200 booleans of circles and rectangles', cases(200, 6, ['circle', 'rectangle']))
report('a fan of five overlapping circles', [{ op: 'union', paths: [[4, 14], [8, 10], [12, 8.5], [16, 10], [20, 14]].map(([x, y]) => pathData([ellipse({ x: x!, y: y! }, 4.5, 4.5)])) }])

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
  console.log(`\narrangement of ${count} circles: ${runs[2]!.toFixed(0)} ms, ${vertices.length} vertices, ${windings.length} faces`)
}

{
  const next = random(12), round = ['circle', 'rectangle', 'rounded'] as const
  let worst = 0
  const start = performance.now()
  for (let i = 0; i < 10_000; i++) {
    const [a, b] = [randomShape(next, round).path, randomShape(next, round).path]
    const of = (role: Role) => area(combine([{ path: a, role: 'adds' }, { path: b, role }]))
    worst = Math.max(worst, Math.abs(of('adds') + of('overlap') - area(a) - area(b)) / (area(a) + area(b)))
  }
  console.log(`\n10,000 pairs: area(A∪B) + area(A∩B) differs from area(A) + area(B) by at most ${worst.toExponential(1)} of it, ${((performance.now() - start) / 20_000).toFixed(3)} ms a boolean`)
}

{
  const faults = Array.from({ length: 5000 }, (_, i) => i + 1).filter((seed) => faultOf(seed) !== null)
  console.log(`\n5,000 random cases against the oracle: ${faults.length} wrong${faults.length > 0 ? ` (seeds ${faults.slice(0, 10).join(', ')})` : ''}; npm run fuzz -- 100000 1 for more`)
}

{
  const { count, mean, worst, ms, segments, failed } = compareStrokes(1000, { cap: 'round', join: 'round', miterLimit: 4 })
  console.log(`\n${count} icons with their strokes outlined, beside the rasteriser's stroking at 256 px: mean difference ${(100 * mean).toFixed(3)} % of ink, greatest ${(100 * worst[0]!.difference).toFixed(3)} % (${worst[0]!.name}), ${failed.length} failed, ${segments} segments, ${(ms / count).toFixed(2)} ms an icon`)
}

{
  const all = cases(500, 21).map(({ op, paths }) => paths.map((path) => ({ path: readPathData(path), role: ROLES[op] })))
  const heap = () => {
    globalThis.gc?.()
    return process.memoryUsage().heapUsed / 2 ** 20
  }
  all.forEach((one) => combine(one))
  const before = heap()
  for (let i = 0; i < 100_000; i++) combine(all[i % all.length]!)
  console.log(`\nheap before and after 100,000 booleans: ${before.toFixed(1)} MB, ${heap().toFixed(1)} MB`)
}
