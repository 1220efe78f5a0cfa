import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '../../testing/runs'
import type { Point } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { quadraticsOf } from './quadratics'

const coordinate = fc.double({ min: -100, max: 100, noNaN: true }),
  place = fc.record({ x: coordinate, y: coordinate })
const segment: fc.Arbitrary<Segment> = fc.oneof(
  fc.record({ kind: fc.constant('cubic' as const), from: place, c1: place, c2: place, to: place }),
  fc.record({
    kind: fc.constant('arc' as const),
    from: place,
    to: place,
    rx: fc.double({ min: 0.5, max: 200, noNaN: true }),
    ry: fc.double({ min: 0.5, max: 200, noNaN: true }),
    turn: fc.double({ min: -3, max: 3, noNaN: true }),
    large: fc.boolean(),
    sweep: fc.boolean(),
  }),
)

/** How far a place is from a segment, by looking at thousands of places of it. */
function distanceTo(segment: Segment, { x, y }: Point): number {
  let least = Infinity
  for (let i = 0; i <= 4000; i++) {
    const p = pointAt(segment, i / 4000)
    least = Math.min(least, Math.hypot(p.x - x, p.y - y))
  }
  return least
}

describe('quadratic curves for a segment', () => {
  it('begin and end where it does, and lie within the distance of it', () => {
    fc.assert(
      fc.property(segment, fc.constantFrom(0.1, 0.5, 3), (one, within) => {
        fc.pre(Math.hypot(one.to.x - one.from.x, one.to.y - one.from.y) > 1e-3)
        const curves = quadraticsOf(one, within)
        expect(curves.at(-1)!.to).toEqual(one.to)
        // Half the step of the looking is allowed.
        const step = one.kind === 'arc' ? 0.7 : 0.25
        let from = one.from
        for (const { control, to } of curves) {
          for (const t of [0.25, 0.5, 0.75]) {
            const s = 1 - t,
              at = (axis: 'x' | 'y') => s * s * from[axis] + 2 * s * t * control![axis] + t * t * to[axis]
            expect(distanceTo(one, { x: at('x'), y: at('y') })).toBeLessThan(within + step)
          }
          from = to
        }
      }),
      runs(60),
    )
  })

  it('are few: a quarter of a circle of half an em takes two', () => {
    const quarter = { kind: 'arc', from: { x: 600, y: 0 }, to: { x: 0, y: 600 }, rx: 600, ry: 600, turn: 0 } as const
    expect(quadraticsOf({ ...quarter, large: false, sweep: true }, 0.5).length).toBeLessThanOrEqual(3)
    expect(quadraticsOf({ kind: 'line', from: { x: 0, y: 0 }, to: { x: 1, y: 1 } }, 0.5)).toHaveLength(1)
  })
})
