import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { curveOf } from './curve'
import { flatten } from '../../testing/flatten'
import { intersect } from './intersect'
import { cross, distance, type Point, subtract } from './point'
import { line, pointAt, type Segment } from './segment'
import { runs } from '../../testing/runs'

const half = fc.integer({ min: 0, max: 24 }).map((n) => n / 2)
const place = fc.record({ x: half, y: half })
const radius = fc.integer({ min: 1, max: 12 }).map((n) => n / 2)

/** Segments on a half-unit grid, where touches and shared stretches are common. */
const segmentOf = {
  line: fc
    .tuple(place, place)
    .filter(([a, b]) => distance(a, b) > 0)
    .map(([a, b]): Segment => line(a, b)),
  circle: fc
    .tuple(place, radius, fc.integer({ min: 0, max: 3 }), fc.boolean(), fc.integer({ min: 1, max: 3 }))
    .map(([c, r, quarter, sweep, quarters]) => arcOf(c, r, r, quarter, quarters, sweep)),
  ellipse: fc
    .tuple(place, radius, radius, fc.integer({ min: 0, max: 3 }), fc.boolean(), fc.integer({ min: 1, max: 3 }))
    .map(([c, rx, ry, quarter, sweep, quarters]) => arcOf(c, rx, ry, quarter, quarters, sweep)),
  cubic: fc
    .tuple(place, place, place, place)
    .filter(([a, , , d]) => distance(a, d) > 0)
    .map(([from, c1, c2, to]): Segment => ({ kind: 'cubic', from, c1, c2, to })),
}

function arcOf(c: Point, rx: number, ry: number, quarter: number, quarters: number, sweep: boolean): Segment {
  const at = (k: number): Point =>
    [
      { x: c.x + rx, y: c.y },
      { x: c.x, y: c.y + ry },
      { x: c.x - rx, y: c.y },
      { x: c.x, y: c.y - ry },
    ][((k % 4) + 4) % 4]!
  return {
    kind: 'arc',
    from: at(quarter),
    to: at(quarter + (sweep ? quarters : -quarters)),
    rx,
    ry,
    turn: 0,
    large: quarters > 2,
    sweep,
  }
}

/**
 * Crossings of two flattened segments, found by trying every pair of chords: the oracle, which knows nothing of
 * polynomials.
 */
function crossingsOfChords(a: Segment, b: Segment): Point[] {
  const p = flatten({ segments: [a], closed: false }, 1e-4),
    q = flatten({ segments: [b], closed: false }, 1e-4)
  const found: Point[] = []
  for (let i = 0; i + 1 < p.length; i++) {
    for (let k = 0; k + 1 < q.length; k++) {
      const d = subtract(p[i + 1]!, p[i]!),
        e = subtract(q[k + 1]!, q[k]!),
        between = subtract(q[k]!, p[i]!)
      const across = cross(d, e)
      // Only clear crossings: nearly parallel chords say nothing.
      if (Math.abs(across) < 0.05 * Math.hypot(d.x, d.y) * Math.hypot(e.x, e.y)) continue
      const s = cross(between, e) / across,
        t = cross(between, d) / across
      if (s > 0.001 && s < 0.999 && t > 0.001 && t < 0.999) found.push({ x: p[i]!.x + d.x * s, y: p[i]!.y + d.y * s })
    }
  }
  return found
}

const kinds = Object.keys(segmentOf) as (keyof typeof segmentOf)[]
const pairs = kinds.flatMap((a, i) => kinds.slice(i).map((b) => [a, b] as const))

describe.each(pairs)('a %s and a %s', (first, second) => {
  const pair = fc.tuple(segmentOf[first], segmentOf[second])

  it('meet where they say, on both', () => {
    fc.assert(
      fc.property(pair, ([a, b]) => {
        for (const { at, s, t } of intersect(curveOf(a), curveOf(b)).meetings) {
          expect(distance(pointAt(a, s), at)).toBeLessThan(1e-7)
          expect(distance(pointAt(b, t), at)).toBeLessThan(1e-7)
        }
      }),
      runs(80),
    )
  })

  it('miss no crossing', () => {
    fc.assert(
      fc.property(pair, ([a, b]) => {
        const { meetings, overlaps } = intersect(curveOf(a), curveOf(b))
        fc.pre(overlaps.length === 0)
        for (const p of crossingsOfChords(a, b))
          expect(
            meetings.some(({ at }) => distance(at, p) < 0.01),
            JSON.stringify([a, b, p]),
          ).toBe(true)
      }),
      runs(12),
    )
  })

  it('meet in the same places whichever comes first', () => {
    fc.assert(
      fc.property(pair, ([a, b]) => {
        const there = intersect(curveOf(a), curveOf(b)),
          back = intersect(curveOf(b), curveOf(a))
        expect(back.overlaps.length).toBe(there.overlaps.length)
        for (const { at } of there.meetings)
          expect(back.meetings.some((other) => distance(other.at, at) < 1e-4)).toBe(true)
      }),
      runs(50),
    )
  })
})

describe('touches and shared stretches', () => {
  const meet = (a: Segment, b: Segment) => intersect(curveOf(a), curveOf(b))
  const ring = (x: number, y: number, r: number) =>
    [arcOf({ x, y }, r, r, 2, 2, true), arcOf({ x, y }, r, r, 0, 2, true)] as const

  it('a tangent line touches a circle once', () => {
    const { meetings } = meet(ring(12, 12, 9)[0], line({ x: 2, y: 3 }, { x: 20, y: 3 }))
    expect(meetings).toHaveLength(1)
    expect(meetings[0]!.at).toEqual({ x: 12, y: 3 })
  })

  it('circles touch once from outside and from inside', () => {
    const touches = (other: readonly Segment[]) =>
      other.flatMap((b) => ring(10, 10, 4).flatMap((a) => meet(a, b).meetings.map(({ at }) => at)))
    for (const other of [ring(16, 10, 2), ring(12, 10, 2)]) {
      const places = touches(other)
      expect(places.length).toBeGreaterThan(0)
      for (const at of places) expect(distance(at, { x: 14, y: 10 })).toBeLessThan(1e-9)
    }
  })

  it('collinear lines share a stretch, and only an end when that is all they share', () => {
    const { overlaps } = meet(line({ x: 0, y: 0 }, { x: 10, y: 5 }), line({ x: 14, y: 7 }, { x: 4, y: 2 }))
    expect(overlaps).toHaveLength(1)
    expect(overlaps[0]).toMatchObject({ from: { at: { x: 4, y: 2 } }, to: { at: { x: 10, y: 5 } } })
    expect(meet(line({ x: 0, y: 0 }, { x: 4, y: 0 }), line({ x: 4, y: 0 }, { x: 9, y: 0 }))).toMatchObject({
      overlaps: [],
      meetings: [{ s: 1, t: 0 }],
    })
  })

  it('two long arcs of one circle share two stretches', () => {
    const a = arcOf({ x: 5, y: 5 }, 3, 3, 0, 3, true),
      b = arcOf({ x: 5, y: 5 }, 3, 3, 2, 3, true)
    expect(meet(a, b).overlaps).toHaveLength(2)
  })

  it('a cubic shares a stretch with a part of itself', () => {
    const whole: Segment = {
      kind: 'cubic',
      from: { x: 0, y: 0 },
      c1: { x: 4, y: 8 },
      c2: { x: 8, y: -8 },
      to: { x: 12, y: 0 },
    }
    const half: Segment = {
      kind: 'cubic',
      from: { x: 0, y: 0 },
      c1: { x: 2, y: 4 },
      c2: { x: 4, y: 2 },
      to: { x: 6, y: 0 },
    }
    const { overlaps } = meet(whole, half)
    expect(overlaps).toHaveLength(1)
    expect(overlaps[0]!.to.s).toBeCloseTo(0.5, 9)
  })

  it('what lies apart does not meet', () => {
    expect(meet(ring(5, 5, 2)[0], line({ x: 8, y: 0 }, { x: 8, y: 10 }))).toEqual({ meetings: [], overlaps: [] })
  })
})
