import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cross, distance, dot, type Point, point, subtract, unit } from './point'
import {
  type Circle,
  circlesOfRadius,
  circlesTouching,
  circleThrough,
  commonTangents,
  tangentPlaces,
  type Touched,
} from './solve'

const places = fc
  .record({ x: fc.integer({ min: -40, max: 40 }), y: fc.integer({ min: -40, max: 40 }) })
  .map(({ x, y }): Point => point(x / 2, y / 2))
const circles = fc.record({ centre: places, r: fc.integer({ min: 1, max: 20 }).map((n) => n / 2) })
const lines = fc
  .tuple(places, places)
  .filter(([a, b]) => distance(a, b) > 1)
  .map(([a, b]) => ({ a, b }))
const touched: fc.Arbitrary<Touched> = fc.oneof(circles, lines)

/** By how much a circle misses touching something, from outside or inside. */
function miss({ centre, r }: Circle, one: Touched): number {
  if ('centre' in one) {
    const far = distance(centre, one.centre)
    return Math.min(Math.abs(far - r - one.r), Math.abs(far - Math.abs(r - one.r)))
  }
  return Math.abs(Math.abs(cross(unit(subtract(one.b, one.a)), subtract(centre, one.a))) - r)
}

describe('circles that touch', () => {
  it('three lines, circles or both, touch all of them', () => {
    let found = 0
    fc.assert(
      fc.property(touched, touched, touched, (a, b, c) => {
        for (const circle of circlesTouching([a, b, c])) {
          found++
          for (const one of [a, b, c]) expect(miss(circle, one)).toBeLessThan(1e-6 * (1 + circle.r))
        }
      }),
    )
    expect(found).toBeGreaterThan(60)
  })

  it('are all found: four in a triangle of lines, eight about three circles, the inscribed one exact', () => {
    const [a, b, c] = [point(0, 0), point(3, 0), point(0, 4)]
    const four = circlesTouching([
      { a, b },
      { a: b, b: c },
      { a: c, b: a },
    ])
    expect(four.map(({ r }) => r)).toEqual([1, 2, 3, 6].map((r) => expect.closeTo(r, 12)))
    expect(four[0]!.centre).toEqual({ x: expect.closeTo(1, 12), y: expect.closeTo(1, 12) })
    expect(
      circlesTouching([
        { centre: point(0, 0), r: 1 },
        { centre: point(10, 0), r: 2 },
        { centre: point(4, 9), r: 1.5 },
      ]),
    ).toHaveLength(8)
  })

  it('two parallel lines and a circle between them, which makes the equations singular', () => {
    const result = circlesTouching([
      { a: point(0, 0), b: point(1, 0) },
      { a: point(0, 8), b: point(1, 8) },
      { centre: point(0, 4), r: 1 },
    ])
    expect(result.length).toBe(4)
    for (const { r, centre } of result) expect([r, centre.y]).toEqual([expect.closeTo(4, 9), expect.closeTo(4, 9)])
  })

  it('two things with a radius of their own', () => {
    fc.assert(
      fc.property(touched, touched, fc.integer({ min: 1, max: 20 }), (a, b, r) => {
        for (const circle of circlesOfRadius(a, b, r))
          expect(Math.max(miss(circle, a), miss(circle, b))).toBeLessThan(1e-6)
      }),
    )
    expect(circlesOfRadius({ a: point(0, 0), b: point(1, 0) }, { a: point(0, 0), b: point(0, 1) }, 2)).toHaveLength(4)
  })

  it('pass through three points', () => {
    fc.assert(
      fc.property(places, places, places, (a, b, c) => {
        const circle = circleThrough(a, b, c)
        if (circle)
          for (const p of [a, b, c])
            expect(Math.abs(distance(circle.centre, p) - circle.r)).toBeLessThan(1e-9 * (1 + circle.r))
        else expect(Math.abs(cross(subtract(b, a), subtract(c, a)))).toBeLessThan(1e-9)
      }),
    )
  })
})

describe('lines that touch circles', () => {
  it('are at right angles to the radius where they touch', () => {
    fc.assert(
      fc.property(circles, circles, places, (a, b, p) => {
        for (const at of tangentPlaces(p, a)) {
          expect(distance(at, a.centre)).toBeCloseTo(a.r, 9)
          expect(Math.abs(dot(subtract(at, a.centre), subtract(p, at)))).toBeLessThan(1e-7)
        }
        for (const [q, s] of commonTangents(a, b)) {
          expect(distance(q, a.centre)).toBeCloseTo(a.r, 9)
          expect(distance(s, b.centre)).toBeCloseTo(b.r, 9)
          expect(Math.abs(dot(subtract(q, a.centre), subtract(s, q)))).toBeLessThan(1e-6)
        }
      }),
    )
  })

  it('are four for circles apart, three for circles that touch, two that cross, none within', () => {
    const of = (x: number, r: number) =>
      commonTangents({ centre: point(0, 0), r: 4 }, { centre: point(x, 0), r }).length
    expect([of(10, 2), of(6, 2), of(4, 2), of(1, 2)]).toEqual([4, 3, 2, 0])
  })
})
