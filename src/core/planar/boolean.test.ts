import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { area, distanceToPath, winding } from '../geometry/flatten'
import { ellipse, type Path, polyline } from '../geometry/path'
import { combine, type Role } from './boolean'

const half = fc.integer({ min: 0, max: 40 }).map((n) => n / 2)
const size = fc.integer({ min: 2, max: 20 }).map((n) => n / 2)
const circle = fc.record({ x: half, y: half, r: size }).map(({ x, y, r }): Path => [ellipse({ x, y }, r, r)])
const box = fc.record({ x: half, y: half, w: size, h: size }).map(({ x, y, w, h }): Path => [polyline([{ x, y }, { x: x + w, y }, { x: x + w, y: y + h }, { x, y: y + h }], true)])
const shape = fc.oneof(circle, box)
const roles: readonly Role[] = ['adds', 'cuts', 'overlap', 'flips']

/** What a place should be by the roles alone: the definition the combination must meet. */
function inside(members: readonly { path: Path; role: Role }[], p: { x: number; y: number }): boolean {
  return members.reduce((so, { path, role }, i) => {
    const here = winding(path, p) !== 0
    if (i === 0) return here
    return role === 'adds' ? so || here : role === 'cuts' ? so && !here : role === 'overlap' ? so && here : so !== here
  }, false)
}

describe('combining', () => {
  it('gives to every place what the roles say', () => {
    const member = fc.record({ path: shape, role: fc.constantFrom(...roles) })
    const place = fc.record({ x: fc.double({ min: -5, max: 30, noNaN: true }), y: fc.double({ min: -5, max: 30, noNaN: true }) })
    fc.assert(
      fc.property(fc.array(member, { minLength: 1, maxLength: 5 }), fc.array(place, { minLength: 20, maxLength: 20 }), (members, places) => {
        const result = combine(members)
        for (const p of places) {
          // Circles are followed by cubics for now: places right at an edge are left out.
          if (members.some(({ path }) => distanceToPath(path, p) < 0.02)) continue
          expect(winding(result, p) !== 0).toBe(inside(members, p))
        }
      }),
      { numRuns: 200, seed: 7 },
    )
  })

  it('obeys area(A ∪ B) + area(A ∩ B) = area(A) + area(B)', () => {
    fc.assert(
      fc.property(shape, shape, (a, b) => {
        const of = (role: Role) => area(combine([{ path: a, role: 'adds' }, { path: b, role }]), 1e-4)
        const whole = area(a, 1e-4) + area(b, 1e-4)
        expect(Math.abs(of('adds') + of('overlap') - whole)).toBeLessThan(2e-3 * whole)
        expect(Math.abs(of('flips') + 2 * of('overlap') - whole)).toBeLessThan(2e-3 * whole)
      }),
      { numRuns: 150, seed: 11 },
    )
  })

  it('of nothing is nothing', () => {
    expect(combine([])).toEqual([])
    const far: Path = [ellipse({ x: 90, y: 90 }, 1, 1)]
    expect(combine([{ path: [ellipse({ x: 0, y: 0 }, 1, 1)], role: 'adds' }, { path: far, role: 'overlap' }])).toEqual([])
  })
})
