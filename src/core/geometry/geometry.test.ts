import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arcCentre } from './arc'
import { area, sweptTwice } from './area'
import { boxContains } from './box'
import { distanceToPath, flatten, winding } from '../../testing/flatten'
import { ellipse, pathBounds, polyline, transformPath } from './path'
import { distance, type Point } from './point'
import { pointAt, reverse, type Segment, segmentBounds, transformSegment } from './segment'
import { tidy } from './tidy'
import { passes } from './winding'
import { apply, compose, rotation, type Transform } from './transform'
import { runs } from '../../testing/runs'

const coordinate = fc.double({ min: -50, max: 50, noNaN: true })
const point = fc.record({ x: coordinate, y: coordinate })
const parameter = fc.double({ min: 0, max: 1, noNaN: true })
const arc = fc
  .record({
    from: point,
    to: point,
    rx: fc.double({ min: 0.5, max: 40, noNaN: true }),
    ry: fc.double({ min: 0.5, max: 40, noNaN: true }),
    turn: fc.double({ min: -3, max: 3, noNaN: true }),
    large: fc.boolean(),
    sweep: fc.boolean(),
  })
  .filter(({ from, to }) => distance(from, to) > 0.01)
  .map((fields): Segment => ({ kind: 'arc', ...fields }))
const cubic = fc
  .record({ from: point, c1: point, c2: point, to: point })
  .map((fields): Segment => ({ kind: 'cubic', ...fields }))
const line = fc.record({ from: point, to: point }).map((fields): Segment => ({ kind: 'line', ...fields }))
const segment = fc.oneof(arc, cubic, line)
/** An affine map that neither flattens nor blows up. */
const map = fc
  .tuple(
    fc.double({ min: -180, max: 180, noNaN: true }),
    fc.double({ min: 0.2, max: 3, noNaN: true }),
    fc.double({ min: 0.2, max: 3, noNaN: true }),
    fc.boolean(),
    fc.double({ min: -1, max: 1, noNaN: true }),
    point,
  )
  .map(([degrees, sx, sy, flip, shear, to]): Transform =>
    compose(
      compose([1, 0, 0, 1, to.x, to.y], rotation(degrees, { x: 3, y: 5 })),
      compose([1, 0, shear, 1, 0, 0], [sx, 0, 0, flip ? -sy : sy, 0, 0]),
    ),
  )

const near = (a: Point, b: Point, within: number) => expect(distance(a, b)).toBeLessThan(within)

describe('segments', () => {
  it('begin and end at their ends', () => {
    fc.assert(
      fc.property(segment, (s) => {
        near(pointAt(s, 0), s.from, 1e-6)
        near(pointAt(s, 1), s.to, 1e-6)
      }),
    )
  })

  it('lie within their bounds, and touch all four sides', () => {
    fc.assert(
      fc.property(segment, (s) => {
        const box = segmentBounds(s)
        const samples = Array.from({ length: 201 }, (_, i) => pointAt(s, i / 200))
        expect(samples.filter((p) => !boxContains(box, p, 1e-6))).toEqual([])
        const slack = 0.02 * (box.w + box.h) + 1e-6
        expect(Math.min(...samples.map((p) => p.x)) - box.x).toBeLessThan(slack)
        expect(box.y + box.h - Math.max(...samples.map((p) => p.y))).toBeLessThan(slack)
      }),
    )
  })

  it('commute with affine maps: the map of a point is the point of the map', () => {
    fc.assert(
      fc.property(segment, map, parameter, (s, t, u) => {
        const mapped = transformSegment(s, t)
        near(apply(t, s.from), mapped.from, 1e-9)
        // An arc's parameter shifts under a map, so the mapped point is looked for anywhere on the mapped arc.
        expect(distanceToPath([{ segments: [mapped], closed: false }], apply(t, pointAt(s, u)))).toBeLessThan(0.01)
      }),
      runs(300),
    )
  })

  it('run the other way when reversed', () => {
    fc.assert(
      fc.property(segment, parameter, (s, t) => {
        near(pointAt(reverse(s), t), pointAt(s, 1 - t), 1e-6)
      }),
    )
  })

  it('an arc keeps the distance of its radius from its centre', () => {
    fc.assert(
      fc.property(arc, (s) => {
        if (s.kind !== 'arc') return
        const circle = { ...s, ry: s.rx }
        const { centre, rx } = arcCentre(circle)
        for (const t of [0, 0.25, 0.5, 0.75, 1])
          expect(Math.abs(distance(pointAt(circle, t), centre) - rx) / rx).toBeLessThan(1e-9)
      }),
    )
  })
})

describe('the area under a segment', () => {
  it('is what many chords add up to', () => {
    fc.assert(
      fc.property(segment, (s) => {
        const n = 4000
        let sum = 0,
          before = s.from
        for (let i = 1; i <= n; i++) {
          const p = pointAt(s, i / n)
          sum += before.x * p.y - p.x * before.y
          before = p
        }
        expect(Math.abs(sweptTwice(s) - sum)).toBeLessThan(1e-4 * (1 + Math.abs(sum)) + 0.02)
      }),
      runs(60),
    )
  })
})

describe('points beside a path', () => {
  it('meet a curve that ends one last bit above them, although its box states its height rounded', () => {
    // The sum of the top and the height of the first box rounds to less than where the curve begins.
    const round = { rx: 0.5, ry: 0.5, turn: 0, large: false, sweep: false }
    const segments: Segment[] = [
      {
        kind: 'cubic',
        from: { x: 0, y: 1.8824470698611447e-259 },
        c1: { x: 0, y: 0 },
        c2: { x: 0, y: 0 },
        to: { x: 0.1, y: -2.1823459193912463e-252 },
      },
      { kind: 'arc', from: { x: 0.1, y: -2.1823459193912463e-252 }, to: { x: 0, y: 0.1 }, ...round },
      { kind: 'arc', from: { x: 0, y: 0.1 }, to: { x: 0, y: 1.8824470698611447e-259 }, ...round },
    ]
    const p = { x: -0.05, y: 1.8824470698611444e-259 }
    expect(segments.reduce((sum, s) => sum + passes(s, p), 0)).toBe(0)
  })

  it('are counted the same by winding on the exact curves as on the flattened ones', () => {
    const closed = fc
      .array(fc.oneof(cubic, arc), { minLength: 1, maxLength: 4 })
      .map((list) => list.map((s, i) => ({ ...s, to: list[(i + 1) % list.length]!.from })))
    fc.assert(
      fc.property(closed, point, (segments, p) => {
        fc.pre(segments.every(({ from, to }) => distance(from, to) >= 0.1))
        const path = [{ segments, closed: true }]
        fc.pre(distanceToPath(path, p) >= 0.05)
        expect(segments.reduce((sum, s) => sum + passes(s, p), 0)).toBe(winding(path, p))
      }),
      runs(200),
    )
  })
})

describe('paths', () => {
  it('a turned circle stays a circle of two arcs', () => {
    const [turned] = transformPath([ellipse({ x: 12, y: 12 }, 9, 9)], rotation(37, { x: 2, y: 3 }))
    expect(turned!.segments).toHaveLength(2)
    for (const s of turned!.segments)
      expect(s).toMatchObject({ kind: 'arc', rx: expect.closeTo(9, 9), ry: expect.closeTo(9, 9) })
  })

  it('know their exact bounds, area and winding', () => {
    const ring = [
      ellipse({ x: 12, y: 12 }, 10, 6),
      ...transformPath([ellipse({ x: 12, y: 12 }, 4, 4)], [1, 0, 0, -1, 0, 24]),
    ]
    expect(pathBounds(ring)).toEqual({ x: 2, y: 6, w: 20, h: 12 })
    expect(area(ring)).toBeCloseTo(Math.PI * (60 - 16), 9)
    expect(winding(ring, { x: 12, y: 12 })).toBe(0)
    expect(winding(ring, { x: 20, y: 12 })).toBe(1)
    expect(winding(ring, { x: 23, y: 12 })).toBe(0)
  })

  it('flatten to within the flatness asked for', () => {
    const circle = ellipse({ x: 0, y: 0 }, 100, 100)
    const points = flatten(circle, 0.01)
    points.forEach((p, i) => {
      const q = points[(i + 1) % points.length]!
      expect(100 - Math.hypot((p.x + q.x) / 2, (p.y + q.y) / 2)).toBeLessThan(0.0101)
    })
  })

  it('drop sides without length', () => {
    expect(
      polyline(
        [
          { x: 0, y: 0 },
          { x: 0, y: 0 },
          { x: 1, y: 0 },
        ],
        true,
      ).segments,
    ).toHaveLength(2)
  })
})

describe('tidying', () => {
  it('takes away the noise of sums and leaves true numbers alone', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5000, max: 5000 }), fc.integer({ min: -5000, max: 5000 }), (a, b) => {
        expect(tidy(a / 10 + b / 10)).toBe((a + b) / 10 + 0)
      }),
    )
    for (const value of [Math.PI, 12 - 10 * Math.SQRT1_2, 1 / 3, 1e-7]) expect(tidy(value)).toBe(value)
  })
})
