import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { convexHull, polygonArea } from './hull'

const place = fc.record({ x: fc.integer({ min: -20, max: 20 }), y: fc.integer({ min: -20, max: 20 }) })
const cross = (a: { x: number; y: number }, b: { x: number; y: number }, c: { x: number; y: number }) =>
  (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)

describe('the convex hull', () => {
  it('holds every place, turns one way only, and is the hull of itself', () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 1, maxLength: 40 }), (places) => {
        const hull = convexHull(places)
        expect(hull.length).toBeGreaterThan(0)
        for (const corner of hull) expect(places).toContainEqual(corner)
        fc.pre(hull.length >= 3)
        hull.forEach((a, i) => {
          const b = hull[(i + 1) % hull.length]!
          for (const p of places) expect(cross(a, b, p)).toBeGreaterThanOrEqual(0)
          expect(cross(a, b, hull[(i + 2) % hull.length]!)).toBeGreaterThan(0)
        })
        expect(polygonArea(convexHull(hull))).toBe(polygonArea(hull))
      }),
    )
  })

  it('has the area of the box around a box, and none around a line', () => {
    expect(
      polygonArea(
        convexHull([
          { x: 0, y: 0 },
          { x: 4, y: 0 },
          { x: 2, y: 1 },
          { x: 4, y: 3 },
          { x: 0, y: 3 },
        ]),
      ),
    ).toBe(12)
    expect(
      polygonArea(
        convexHull([
          { x: 0, y: 0 },
          { x: 1, y: 1 },
          { x: 3, y: 3 },
        ]),
      ),
    ).toBe(0)
    expect(
      convexHull([
        { x: 5, y: 5 },
        { x: 5, y: 5 },
      ]),
    ).toEqual([{ x: 5, y: 5 }])
  })
})
