import { describe, expect, it } from 'vitest'
import { random, randomShape } from '../../testing/shapes'
import { awayFrom, randomPath } from '../../testing/stroke-oracle'
import { compareStrokes } from '../../testing/strokes'
import { arcCentre } from '../geometry/arc'
import { area } from '../geometry/area'
import { ellipse, type Path, polyline, segmentCount } from '../geometry/path'
import { type Point, point } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { passes } from '../geometry/winding'
import { offset } from './offset'
import type { Stroke } from './line-style'
import { strokedArea } from './stroking'

const ROUND: Stroke = { width: 2, cap: 'round', join: 'round', miterLimit: 4 }
const open = (...points: [number, number][]): Path => [
  polyline(
    points.map(([x, y]) => point(x, y)),
    false,
  ),
]
const square = (x: number, y: number, w: number): Path => [
  polyline([point(x, y), point(x + w, y), point(x + w, y + w), point(x, y + w)], true),
]
const circle = (r: number): Path => [ellipse({ x: 12, y: 12 }, r, r)]
const around = (path: Path, p: Point) =>
  path.reduce((sum, { segments }) => sum + segments.reduce((part, s) => part + passes(s, p), 0), 0)
const samples = (next: () => number, path: Path, reach: number): Point[] => {
  const segments = path.flatMap((contour) => contour.segments as Segment[])
  return Array.from({ length: 40 }, () => {
    const p = pointAt(segments[Math.floor(next() * segments.length)]!, next()),
      angle = next() * 7,
      away = next() * 2 * reach
    return { x: p.x + away * Math.cos(angle), y: p.y + away * Math.sin(angle) }
  })
}

describe('the outline of a stroke', () => {
  it('is what lies within half its width of the path, where all is round', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const next = random(seed),
        path = randomPath(next, seed % 3 === 0),
        half = 0.25 + Math.floor(next() * 8) / 4
      const outline = strokedArea(path, { ...ROUND, width: 2 * half }),
        away = awayFrom(path)
      for (const p of samples(next, path, half)) {
        const far = away(p)
        if (Math.abs(far - half) < 2e-3) continue
        expect([seed, p, around(outline, p)]).toEqual([
          seed,
          p,
          far < half ? expect.toSatisfy((n) => Math.abs(n) === 1) : 0,
        ])
      }
    }
  })

  it('of a circle is two circles, also where it fills up', () => {
    const ring = strokedArea(circle(9), ROUND)
    expect(segmentCount(ring)).toBe(4)
    expect(ring.flatMap(({ segments }) => segments.map((s) => (s.kind === 'arc' ? s.rx : 0))).sort()).toEqual(
      [10, 10, 8, 8].map((r) => expect.closeTo(r, 12)).sort(),
    )
    expect(area(ring)).toBeCloseTo(Math.PI * 36, 9)
    expect(segmentCount(strokedArea(circle(1), ROUND))).toBe(2)
    expect(area(strokedArea(circle(0.5), ROUND))).toBeCloseTo(Math.PI * 2.25, 9)
  })

  it('of an elbow with round caps has eight segments', () => {
    const elbow: Path = [
      {
        closed: false,
        segments: [
          { kind: 'line', from: point(4, 4), to: point(12, 4) },
          { kind: 'arc', from: point(12, 4), to: point(16, 8), rx: 4, ry: 4, turn: 0, large: false, sweep: true },
          { kind: 'line', from: point(16, 8), to: point(16, 20) },
        ],
      },
    ]
    const outline = strokedArea(elbow, ROUND)
    expect(segmentCount(outline)).toBe(8)
    expect(area(outline)).toBeCloseTo(2 * (8 + 2 * Math.PI + 12) + Math.PI, 9)
    for (const s of outline[0]!.segments)
      if (s.kind === 'arc') expect([1, 3, 5].map((r) => expect.closeTo(r, 9))).toContainEqual(arcCentre(s).rx)
  })

  it('has the caps and joins asked for, of one end and one node too', () => {
    const corner = open([4, 20], [4, 4], [20, 4])
    const of = (more: Partial<Stroke>) =>
      area(strokedArea(corner, { width: 2, cap: 'butt', join: 'miter', miterLimit: 4, ...more }))
    expect(of({})).toBeCloseTo(64, 9)
    expect(of({ join: 'bevel' })).toBeCloseTo(63.5, 9)
    expect(of({ join: 'round' })).toBeCloseTo(63 + Math.PI / 4, 9)
    expect(of({ miterLimit: 1.4 })).toBeCloseTo(63.5, 9)
    expect(of({ cap: 'square' })).toBeCloseTo(68, 9)
    expect(of({ cap: 'round' })).toBeCloseTo(64 + Math.PI, 9)
    expect(
      of({
        capAt: (_, last) => (last ? 'square' : undefined),
        joinAt: (_, node) => (node === 1 ? 'bevel' : undefined),
      }),
    ).toBeCloseTo(65.5, 9)
  })

  it('of strokes that share a node has one clean join', () => {
    const arms = [...open([12, 12], [12, 2]), ...open([12, 12], [20, 18]), ...open([12, 12], [4, 18])]
    const outline = strokedArea(arms, { width: 2, cap: 'butt', join: 'miter', miterLimit: 10 })
    expect([outline.length, segmentCount(outline)]).toEqual([1, 9])
    const corner = strokedArea([...open([4, 12], [12, 12]), ...open([12, 12], [12, 4]), ...open([12, 12], [6, 6])], {
      width: 2,
      cap: 'butt',
      join: 'miter',
      miterLimit: 10,
    })
    expect(around(corner, point(12.99, 12.99))).not.toBe(0)
  })

  it('takes dashes along any kind of segment, and wraps the last into the first', () => {
    const dashed = strokedArea(circle(9), { ...ROUND, cap: 'butt', dash: [Math.PI, Math.PI / 2], dashOffset: 0 })
    expect([dashed.length, area(dashed)]).toEqual([12, expect.closeTo(2 * 12 * Math.PI, 8)])
    expect(strokedArea(circle(9), { ...ROUND, cap: 'butt', dash: [Math.PI, Math.PI / 2], dashOffset: 1 })).toHaveLength(
      12,
    )
    expect(
      strokedArea(open([0, 0], [10, 0]), { ...ROUND, cap: 'butt', dash: [2, 1] }).map(({ segments }) =>
        Math.min(...segments.map((s) => s.from.x)),
      ),
    ).toEqual([0, 3, 6, 9].map((x) => expect.closeTo(x, 9)))
  })

  it('lies inside or outside of a closed path where that is asked', () => {
    const of = (position: Stroke['position'], join: Stroke['join']) =>
      area(strokedArea(square(4, 4, 10), { ...ROUND, join, position }))
    expect(of('inside', 'miter')).toBeCloseTo(100 - 36, 9)
    expect(of('outside', 'miter')).toBeCloseTo(196 - 100, 9)
    expect(of('outside', 'round')).toBeCloseTo(80 + 4 * Math.PI, 9)
  })

  it('of nothing but a point is a dot, of no width nothing', () => {
    const dot: Path = [{ closed: false, segments: [{ kind: 'line', from: point(3, 3), to: point(3, 3) }] }]
    expect(area(strokedArea(dot, ROUND))).toBeCloseTo(Math.PI, 9)
    expect(area(strokedArea(dot, { ...ROUND, cap: 'square' }))).toBeCloseTo(4, 9)
    expect(strokedArea(dot, { ...ROUND, cap: 'butt' })).toEqual([])
    expect(strokedArea(square(0, 0, 4), { ...ROUND, width: 0 })).toEqual([])
  })

  it('is painted as the rasteriser strokes, over real icons', () => {
    const { mean, worst, failed } = compareStrokes(40, { cap: 'round', join: 'round', miterLimit: 4 })
    expect([failed, mean < 0.002, worst[0]!.difference < 0.01]).toEqual([[], true, true])
  })
})

describe('inset and outset', () => {
  it('come to closed forms', () => {
    const grown = (join: Stroke['join'], away: number) => area(offset(square(0, 0, 10), away, { join, miterLimit: 4 }))
    expect(grown('round', 2)).toBeCloseTo(100 + 80 + 4 * Math.PI, 9)
    expect(grown('miter', 2)).toBeCloseTo(196, 9)
    expect(grown('bevel', 2)).toBeCloseTo(188, 9)
    expect(grown('miter', -2)).toBeCloseTo(36, 9)
    expect(segmentCount(offset(circle(9), -4, { join: 'round', miterLimit: 4 }))).toBe(2)
    expect(area(offset(circle(9), -4, { join: 'round', miterLimit: 4 }))).toBeCloseTo(25 * Math.PI, 9)
    expect(offset(circle(4), -4, { join: 'round', miterLimit: 4 })).toEqual([])
  })

  it('fall apart where the shape is narrow, and leave no loops', () => {
    const dumbbell: Path = [
      polyline(
        [
          [0, 0],
          [8, 0],
          [8, 3.5],
          [14, 3.5],
          [14, 0],
          [22, 0],
          [22, 8],
          [14, 8],
          [14, 4.5],
          [8, 4.5],
          [8, 8],
          [0, 8],
        ].map(([x, y]) => point(x!, y!)),
        true,
      ),
    ]
    const inset = offset(dumbbell, -1, { join: 'miter', miterLimit: 4 })
    expect([inset.length, segmentCount(inset), area(inset)]).toEqual([2, 8, expect.closeTo(72, 9)])
  })

  it('are what lies within the distance, or farther inside than it, of any shape', () => {
    for (let seed = 1; seed <= 50; seed++) {
      const next = random(seed),
        shape = randomShape(next),
        away = (next() < 0.5 ? -1 : 1) * (0.25 + Math.floor(next() * 6) / 4)
      const result = offset(shape.path, away, { join: 'round', miterLimit: 4 })
      const ground = offset(shape.path, 0, { join: 'round', miterLimit: 4 }),
        edge = awayFrom(ground)
      for (const p of samples(next, shape.path, Math.abs(away))) {
        const far = edge(p)
        if (Math.abs(far - Math.abs(away)) < 2e-3 || shape.away(p) < 1e-3) continue
        const should = away > 0 ? shape.contains(p) || far < away : shape.contains(p) && far > -away
        expect([seed, p, around(result, p) !== 0]).toEqual([seed, p, should])
      }
    }
  })

  it('of an ellipse is within a thousandth of the true curve, in few cubics', () => {
    const oval: Path = [ellipse({ x: 12, y: 12 }, 10, 5)]
    const grown = offset(oval, 2, { join: 'round', miterLimit: 4 }),
      away = awayFrom(oval)
    expect(segmentCount(grown)).toBeLessThanOrEqual(12)
    for (const s of grown[0]!.segments)
      for (let i = 0; i <= 20; i++) expect(Math.abs(away(pointAt(s, i / 20)) - 2)).toBeLessThan(1e-3)
  })
})
