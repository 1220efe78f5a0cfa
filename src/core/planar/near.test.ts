import { describe, expect, it } from 'vitest'
import { jittered, random, randomShape } from '../../testing/shapes'
import { area } from '../geometry/area'
import { flattened } from '../geometry/flat'
import { ellipse, type Path, polyline, transformPath } from '../geometry/path'
import { pointAt, type Segment } from '../geometry/segment'
import { nearestOnPath } from '../geometry/nearest'
import { arrange } from './arrangement'
import type { Arrangement } from './plane'
import { combine } from './boolean'
import { divide, patchwork } from './patches'

/** Shapes that nearly touch, nearly share sides and nearly coincide: some come twice, each a little off. */
function nearlyAlike(seed: number): { paths: Path[]; off: number } {
  const next = random(seed),
    off = 10 ** (-9 + 4 * next())
  const shapes = Array.from({ length: 3 }, () => randomShape(next, ['circle', 'rectangle', 'rounded', 'polygon']).path)
  return { paths: [...shapes, shapes[0]!].map((path) => jittered(path, off, next)), off }
}

const union = (paths: readonly Path[]) => combine(paths.map((path) => ({ path, role: 'adds' as const })))
const seeds = Array.from({ length: 120 }, (_, i) => i + 1)

describe('shapes that nearly coincide', () => {
  it('have the same union in any order, turned round and all at once or one by one', () => {
    for (const seed of seeds) {
      const { paths, off } = nearlyAlike(seed)
      const whole = area(union(paths)),
        slack = 1e-5 + 400 * off
      expect([seed, area(union(paths.toReversed()))]).toEqual([seed, expect.closeTo(whole, -Math.log10(2 * slack))])
      const stepwise = paths.slice(1).reduce((so, path) => union([so, path]), paths[0]!)
      expect([seed, area(stepwise)]).toEqual([seed, expect.closeTo(whole, -Math.log10(2 * slack))])
    }
  })

  it('fall apart into patches that together are their union, and into pieces that together are it too', () => {
    for (const seed of seeds) {
      const { paths, off } = nearlyAlike(seed),
        whole = area(union(paths)),
        digits = -Math.log10(2 * (1e-5 + 400 * off))
      const { arrangement, patches } = patchwork(paths)
      const covered = patches.filter(({ face }) => arrangement.windings[face]!.some((times) => times !== 0))
      expect([seed, covered.reduce((sum, { path }) => sum + area(path), 0)]).toEqual([
        seed,
        expect.closeTo(whole, digits),
      ])
      expect([seed, divide(paths).reduce((sum, path) => sum + area(path), 0)]).toEqual([
        seed,
        expect.closeTo(whole, digits),
      ])
      for (const { face, neighbours } of patches)
        for (const other of neighbours)
          if (other !== 0) expect(patches.find((one) => one.face === other)?.neighbours.has(face) ?? true).toBe(true)
    }
  })
})

describe('an arrangement', () => {
  /** Vertices that lie on an edge without cutting it, by more than an edge is moved where it ends. */
  const astray = ({ vertices, edges, snap }: Arrangement) =>
    edges.flatMap(({ from, to, segment }, i) => {
      const path = [{ segments: [segment], closed: false }]
      return vertices.flatMap((p, vertex) =>
        vertex !== from && vertex !== to && nearestOnPath(path, p)!.distance < snap / 4 ? [{ edge: i, vertex }] : [],
      )
    })

  it('has no vertex on an edge that is not cut there, of shapes that nearly coincide', () => {
    for (const seed of seeds.slice(0, 40)) expect([seed, astray(arrange(nearlyAlike(seed).paths))]).toEqual([seed, []])
  })

  it('nor of curves that end tangent to a line between them, and touch each other before they do', () => {
    const next = random(5)
    for (let i = 0; i < 60; i++) {
      const turn = 7 * next(),
        cos = Math.cos(turn),
        sin = Math.sin(turn)
      const curve = (side: number): Path => [
        {
          closed: false,
          segments: [
            {
              kind: 'cubic',
              from: { x: 10, y: side * (1 + 4 * next()) },
              c1: { x: 7, y: side * next() },
              c2: { x: 1 + 4 * next(), y: 0 },
              to: { x: 0, y: 0 },
            },
          ],
        },
      ]
      const straight: Path = [
        polyline(
          [
            { x: -3, y: 0 },
            { x: 12, y: 0 },
          ],
          false,
        ),
      ]
      const paths = [curve(1), curve(-1), straight, curve(1)].map((path) =>
        transformPath(path, [cos, sin, -sin, cos, 12, 12]),
      )
      expect([i, astray(arrange(paths, { open: 'cut' }))]).toEqual([i, []])
    }
  })

  it('takes arcs and cubics that run along each other, at whatever pace and wherever they are cut, for one', () => {
    const next = random(8),
      r = 6,
      n = 40
    for (let i = 0; i < 20; i++) {
      const shift = 0.1 * next(),
        angles = Array.from({ length: n }, (_, k) => (2 * Math.PI * (k + 0.8 * next())) / n + shift)
      const on = (angle: number) => ({ x: 12 + r * Math.cos(angle), y: 12 + r * Math.sin(angle) })
      const cubics = angles.map((from, k): Segment => {
        const to = angles[(k + 1) % n]! + (k === n - 1 ? 2 * Math.PI : 0),
          reach = (4 / 3) * Math.tan((to - from) / 4) * r
        const p = on(from),
          q = on(to)
        return {
          kind: 'cubic',
          from: p,
          c1: { x: p.x - reach * Math.sin(from), y: p.y + reach * Math.cos(from) },
          c2: { x: q.x + reach * Math.sin(to), y: q.y - reach * Math.cos(to) },
          to: k === n - 1 ? on(angles[0]!) : q,
        }
      })
      const strip = polyline(
        [
          { x: 3 + 9 * next(), y: 0 },
          { x: 13, y: 30 },
          { x: 13.5 + next(), y: 30 },
        ],
        true,
      )
      const { windings } = arrange([[ellipse({ x: 12, y: 12 }, r, r)], [{ segments: cubics, closed: true }], [strip]])
      // Nothing lies in the one and not in the other.
      expect([i, windings.filter(([arcs, curved]) => Math.abs(arcs!) !== Math.abs(curved!))]).toEqual([i, []])
    }
  })
})

describe('curves in short lines', () => {
  it('stay within the distance asked for', () => {
    for (const [r, within] of [
      [9, 1e-3],
      [0.2, 1e-2],
      [400, 1e-2],
    ] as const) {
      const circle = [ellipse({ x: 3, y: 4 }, r, r)]
      for (const { segments } of flattened(circle, within)) {
        for (const segment of segments) {
          const { x, y } = pointAt(segment, 0.5)
          expect(segment.kind).toBe('line')
          expect(Math.abs(Math.hypot(x - 3, y - 4) - r)).toBeLessThanOrEqual(within)
        }
      }
    }
  })
})
