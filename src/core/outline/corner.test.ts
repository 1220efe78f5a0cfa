import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { area } from '../geometry/area'
import { ellipse, type Path, polyline } from '../geometry/path'
import { cross, distance, dot, point, subtract, unit } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { curvatureAt, directionAt } from '../geometry/slope'
import { roundContour, roundCorners } from './corner'
import type { CornerStyle } from './corner-shape'
import { fillets, turnOf } from './fillet'
import { beside } from './parallel'
import { runs } from '../../testing/runs'

const square = [
  { x: 0, y: 0 },
  { x: 20, y: 0 },
  { x: 20, y: 20 },
  { x: 0, y: 20 },
]

describe('rounded corners', () => {
  it('take (4 − π) r² from a square', () => {
    for (const r of [0.5, 2, 10]) {
      const { contour, reduced } = roundCorners(square, true, () => r)
      expect(reduced).toBe(false)
      expect(area([contour])).toBeCloseTo(400 - (4 - Math.PI) * r * r, 9)
      expect(contour.segments.filter(({ kind }) => kind === 'arc')).toHaveLength(4)
    }
  })

  it('make a circle of a square when the radius is half its side, without leftover sides', () => {
    const { contour } = roundCorners(square, true, () => 10)
    expect(contour.segments.map(({ kind }) => kind)).toEqual(['arc', 'arc', 'arc', 'arc'])
  })

  it('are reduced in proportion where they do not fit, and say so', () => {
    const { contour, reduced } = roundCorners(square, true, () => 30)
    expect(reduced).toBe(true)
    for (const s of contour.segments) expect(s).toMatchObject({ kind: 'arc', rx: expect.closeTo(10, 9) })
  })

  it('leave ends, straight runs and places that double back as they are', () => {
    const line = [
      { x: 0, y: 0 },
      { x: 5, y: 0 },
      { x: 10, y: 0 },
      { x: 4, y: 0 },
    ]
    expect(roundCorners(line, false, () => 2).contour).toEqual(polyline(line, false))
  })

  it('join smoothly: each arc leaves in the direction the side before it came in', () => {
    const coordinate = fc.integer({ min: -40, max: 40 })
    const points = fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 3, maxLength: 9 })
    fc.assert(
      fc.property(points, fc.boolean(), fc.double({ min: 0.1, max: 5, noNaN: true }), (nodes, closed, r) => {
        const { contour } = roundCorners(nodes, closed, () => r)
        contour.segments.forEach((s, i) => {
          if (s.kind !== 'arc') return
          const chord = distance(s.from, s.to)
          expect(chord).toBeLessThanOrEqual(2 * s.rx + 1e-6)
          const before = contour.segments[i - 1]
          // A fillet may use up its whole side; then what comes before it is not the side it is tangent to.
          if (before?.kind !== 'line' || before.to !== s.from || distance(before.from, before.to) < 1e-3 || s.rx < 1e-3)
            return
          const incoming = unit(subtract(before.to, before.from)),
            leaving = unit(subtract(pointAt(s, 1e-5), s.from))
          expect(dot(incoming, leaving)).toBeGreaterThan(0.999)
          expect(Math.abs(cross(incoming, leaving))).toBeLessThan(0.01)
        })
      }),
    )
  })
})

describe('corners between any two kinds of segment', () => {
  const dee: Path = [
    {
      closed: true,
      segments: [
        { kind: 'arc', from: point(4, 20), to: point(4, 4), rx: 8, ry: 8, turn: 0, large: false, sweep: false },
        { kind: 'cubic', from: point(4, 4), c1: point(0, 0), c2: point(-6, 8), to: point(-4, 14) },
        { kind: 'line', from: point(-4, 14), to: point(4, 20) },
      ],
    },
  ]

  it('touch both sides: the arc has the radius asked for and runs on from each of them', () => {
    const { contour, reduced } = roundContour(dee[0]!, () => ({ radius: 1.5 }))
    expect(reduced).toEqual([])
    const arcs = contour.segments.filter((s) => s.kind === 'arc' && Math.abs(s.rx - 1.5) < 1e-9)
    expect(arcs).toHaveLength(3)
    contour.segments.forEach((s, i) => {
      const before = contour.segments[(i + contour.segments.length - 1) % contour.segments.length]!
      expect(distance(before.to, s.from)).toBeLessThan(1e-9)
      const a = directionAt(before, 1),
        b = directionAt(s, 0)
      expect(Math.abs(cross(a, b))).toBeLessThan(1e-6)
      expect(dot(a, b)).toBeGreaterThan(0)
    })
  })

  it('touch both sides of any two curves, as large as asked or until a side is used up or turns tighter', () => {
    const away = fc.record({ x: fc.integer({ min: -8, max: 8 }), y: fc.integer({ min: -8, max: 8 }) })
    const corner = fc.record({
      a: fc.tuple(away, away, away),
      b: fc.tuple(away, away, away),
      radius: fc.double({ min: 0.1, max: 12, noNaN: true }),
    })
    let reached = 0
    fc.assert(
      fc.property(corner, ({ a: [p, p1, p2], b: [q1, q2, q], radius }) => {
        const a: Segment = { kind: 'cubic', from: p, c1: p1, c2: p2, to: point(0, 0) },
          b: Segment = { kind: 'cubic', from: point(0, 0), c1: q1, c2: q2, to: q }
        if (
          [p, p2, q1, q].some(({ x, y }) => Math.hypot(x, y) < 1) ||
          Math.abs(turnOf(a, b)) < 0.1 ||
          Math.abs(turnOf(a, b)) > 3
        )
          return
        const { limit, at } = fillets(a, b, radius),
          side = Math.sign(turnOf(a, b))
        for (const share of [1, 0.5, 0.1]) {
          const { s, t } = at(limit * share)
          expect(distance(beside(a, s, side * limit * share), beside(b, t, side * limit * share))).toBeLessThan(1e-7)
        }
        if (limit === radius) return void reached++
        const { s, t } = at(limit)
        const spent = Math.min(s, 1 - t),
          bend = Math.max(side * curvatureAt(a, s), side * curvatureAt(b, t)) * limit
        const opposite = Math.abs(cross(directionAt(a, s), directionAt(b, t)))
        expect(Math.min(spent, Math.abs(1 - bend), opposite)).toBeLessThan(0.01)
      }),
      runs(400),
    )
    expect(reached).toBeGreaterThan(50)
  })

  it('are reduced to the greatest arc that fits, and say which', () => {
    const sliver: Path = [
      {
        closed: true,
        segments: [
          { kind: 'arc', from: point(0, 0), to: point(10, 0), rx: 20, ry: 20, turn: 0, large: false, sweep: true },
          { kind: 'line', from: point(10, 0), to: point(0, 0) },
        ],
      },
    ]
    const { contour, reduced } = roundContour(sliver[0]!, (node) => (node === 0 ? { radius: 50 } : null))
    expect(reduced).toEqual([0])
    expect(contour.segments.every((s) => distance(s.from, s.to) < 10.1)).toBe(true)
    expect(area([contour])).toBeLessThan(area(sliver))
  })

  it('come in five styles, each taking its own area from a square', () => {
    const of = (style: CornerStyle) =>
      area([roundContour(polyline(square, true), () => ({ radius: 4, style })).contour])
    expect(of('round')).toBeCloseTo(400 - (4 - Math.PI) * 16, 9)
    expect(of('bevel')).toBeCloseTo(400 - 4 * 8, 9)
    expect(of('scoop')).toBeCloseTo(400 - Math.PI * 16, 9)
    expect(of('notch')).toBeCloseTo(400 - 4 * 16, 9)
    // A quarter of x⁴ + y⁴ ≤ 1 covers Γ(5/4)²/Γ(3/2) of its square.
    expect(of('squircle')).toBeCloseTo(400 - 64 * (1 - 0.9270373386), 2)
  })

  it('leave smooth nodes and the ends of open contours alone', () => {
    const circle = ellipse(point(0, 0), 5, 5)
    expect(roundContour(circle, () => ({ radius: 1 })).contour.segments).toEqual(circle.segments)
  })
})
