import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lengthTo, segmentLength } from './lengths'
import { measure } from './measure'
import { moments } from './moments'
import { stretch } from './stretch'
import { ellipse, polyline, transformPath } from './path'
import { distance } from './point'
import { pointAt, type Segment } from './segment'
import { apply, rotation } from './transform'
import { runs } from '../../testing/runs'

const n = fc.double({ min: -20, max: 20, noNaN: true })
const p = fc.record({ x: n, y: n })

describe('measuring', () => {
  it('comes to closed forms for a circle, a ring, a square and half a disc', () => {
    expect(measure([ellipse({ x: 3, y: 4 }, 5, 5)])).toMatchObject({
      area: expect.closeTo(25 * Math.PI, 9),
      length: expect.closeTo(10 * Math.PI, 9),
      bounds: { x: -2, y: -1, w: 10, h: 10 },
      segments: 2,
    })
    const ring = measure([
      ellipse({ x: 3, y: 4 }, 5, 5),
      ...transformPath([ellipse({ x: 3, y: 4 }, 2, 2)], [1, 0, 0, -1, 0, 8]),
    ])
    expect(ring.area).toBeCloseTo(21 * Math.PI, 9)
    expect(distance(ring.centroid!, { x: 3, y: 4 })).toBeLessThan(1e-9)
    expect(
      measure([
        polyline(
          [
            { x: 0, y: 0 },
            { x: 6, y: 0 },
            { x: 6, y: 6 },
            { x: 0, y: 6 },
          ],
          true,
        ),
      ]),
    ).toMatchObject({ area: 36, length: 24, centroid: { x: expect.closeTo(3, 9), y: expect.closeTo(3, 9) } })
    const half = measure([
      {
        segments: [
          { kind: 'arc', from: { x: -3, y: 0 }, to: { x: 3, y: 0 }, rx: 3, ry: 3, turn: 0, large: false, sweep: true },
        ],
        closed: true,
      },
    ])
    expect(half.centroid!.y).toBeCloseTo(-4 / Math.PI, 9)
  })

  it('finds the moments that summing over many small steps finds, of lines, arcs and curves', () => {
    const radius = fc.double({ min: 0.5, max: 20, noNaN: true }),
      turn = fc.double({ min: -3, max: 3, noNaN: true })
    const segment: fc.Arbitrary<Segment> = fc.oneof(
      fc.record({ kind: fc.constant('line' as const), from: p, to: p }),
      fc.record({ kind: fc.constant('cubic' as const), from: p, c1: p, c2: p, to: p }),
      fc
        .record({
          kind: fc.constant('arc' as const),
          from: p,
          to: p,
          rx: radius,
          ry: radius,
          turn,
          large: fc.boolean(),
          sweep: fc.boolean(),
        })
        .filter(({ from, to }) => distance(from, to) > 0.1),
    )
    fc.assert(
      fc.property(segment, (one) => {
        const steps = 4000
        let x = 0,
          y = 0,
          most = 1,
          last = pointAt(one, 0)
        for (let i = 1; i <= steps; i++) {
          const next = pointAt(one, i / steps),
            middle = pointAt(one, (i - 0.5) / steps)
          x += (middle.x ** 2 * (next.y - last.y)) / 2
          y -= (middle.y ** 2 * (next.x - last.x)) / 2
          most = Math.max(most, Math.abs(next.x), Math.abs(next.y))
          last = next
        }
        const [mx, my] = moments(one)
        expect(Math.abs(mx - x)).toBeLessThan(1e-5 * most ** 3)
        expect(Math.abs(my - y)).toBeLessThan(1e-5 * most ** 3)
      }),
    )
  })

  it('of an ellipse agrees with the series for its perimeter', () => {
    const [a, b] = [7, 3],
      h = ((a - b) / (a + b)) ** 2
    const terms = [1, 1 / 4, 1 / 64, 1 / 256, 25 / 16384, 49 / 65536, 441 / 1048576]
    const series = Math.PI * (a + b) * terms.reduce((sum, k, i) => sum + k * h ** i, 0)
    expect(measure([ellipse({ x: 0, y: 0 }, a, b)]).length).toBeCloseTo(series, 4)
  })

  it('of a cubic is what many chords come to', () => {
    fc.assert(
      fc.property(p, p, p, p, (from, c1, c2, to) => {
        const s: Segment = { kind: 'cubic', from, c1, c2, to }
        let sum = 0
        for (let i = 0; i < 2000; i++) sum += distance(pointAt(s, i / 2000), pointAt(s, (i + 1) / 2000))
        expect(Math.abs(segmentLength(s) - sum)).toBeLessThan(1e-3)
      }),
      runs(60),
    )
  })

  it('does not depend on where a shape lies or how it is turned', () => {
    fc.assert(
      fc.property(
        fc.array(p, { minLength: 3, maxLength: 6 }),
        fc.integer({ min: -180, max: 180 }),
        p,
        (points, degrees, about) => {
          const path = [polyline(points, true)]
          if (path[0]!.segments.length < 3) return
          const map = rotation(degrees, about)
          const before = measure(path),
            after = measure(transformPath(path, map))
          expect(Math.abs(after.area - before.area)).toBeLessThan(1e-8)
          expect(Math.abs(after.length - before.length)).toBeLessThan(1e-8)
          if (before.area > 1 && before.centroid)
            expect(distance(after.centroid!, apply(map, before.centroid))).toBeLessThan(1e-6)
        },
      ),
    )
  })

  it('finds the place up to which a curve is so long, from its start to its end', () => {
    fc.assert(
      fc.property(p, p, p, p, fc.double({ min: 0, max: 1, noNaN: true }), (from, c1, c2, to, share) => {
        const segment: Segment = { kind: 'cubic', from, c1, c2, to },
          long = segmentLength(segment)
        fc.pre(long >= 1e-3)
        const t = lengthTo(segment, share * long)
        expect(t).toBeGreaterThanOrEqual(0)
        expect(t).toBeLessThanOrEqual(1)
        if (t > 0)
          expect(Math.abs(segmentLength(stretch(segment, 0, t)) - share * long)).toBeLessThan(1e-6 * (1 + long))
        else expect(share * long).toBeLessThan(1e-6)
      }),
      runs(500),
    )
    const way: Segment = {
      kind: 'cubic',
      from: { x: 12, y: 12 },
      c1: { x: 12, y: 8 },
      c2: { x: 12.5, y: 4.5 },
      to: { x: 21.5, y: 4.5 },
    }
    for (let i = 0; i < 400; i++)
      expect(
        Math.abs(
          segmentLength(stretch(way, 0, lengthTo(way, (i * segmentLength(way)) / 400) || 1e-9)) -
            (i * segmentLength(way)) / 400,
        ),
      ).toBeLessThan(1e-6)
  })

  it('of nothing has no bounds and no centroid', () => {
    expect(measure([])).toEqual({ area: 0, length: 0, bounds: null, centroid: null, segments: 0 })
  })
})
