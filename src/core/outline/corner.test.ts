import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { area } from '../geometry/area'
import { polyline } from '../geometry/path'
import { cross, distance, dot, subtract, unit } from '../geometry/point'
import { pointAt } from '../geometry/segment'
import { roundCorners } from './corner'

const square = [{ x: 0, y: 0 }, { x: 20, y: 0 }, { x: 20, y: 20 }, { x: 0, y: 20 }]

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
    const line = [{ x: 0, y: 0 }, { x: 5, y: 0 }, { x: 10, y: 0 }, { x: 4, y: 0 }]
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
          if (before?.kind !== 'line' || before.to !== s.from || distance(before.from, before.to) < 1e-3 || s.rx < 1e-3) return
          const incoming = unit(subtract(before.to, before.from)), leaving = unit(subtract(pointAt(s, 1e-5), s.from))
          expect(dot(incoming, leaving)).toBeGreaterThan(0.999)
          expect(Math.abs(cross(incoming, leaving))).toBeLessThan(0.01)
        })
      }),
    )
  })
})
