import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pathBounds } from '../../../geometry/path'
import { STARTERS } from '../../../rules/starters'
import { outline } from '../../evaluate/evaluate'
import { sceneOf } from '../../evaluate/evaluated-scene'
import { frameOf } from '../../evaluate/extent'
import { framePoint } from '../../model/frame'
import { changeNumbers } from '../../edit/numbers'
import type { Polygon } from './schema'

const scene = sceneOf(STARTERS[0]!.rules)
const any = fc.record({
  sides: fc.integer({ min: 3, max: 12 }),
  corner: fc.constantFrom(0, 0.5, 1),
  w: fc.integer({ min: 8, max: 24 }),
  h: fc.integer({ min: 8, max: 24 }),
  turn: fc.constantFrom(0, 15, 45, 90, 200),
})
const polygon = (
  { sides, corner, w, h }: { sides: number; corner: number; w: number; h: number },
  more = {},
): Polygon => ({
  kind: 'polygon',
  id: 'p',
  name: 'p',
  x: 2,
  y: 3,
  w,
  h,
  sides,
  corner,
  style: { fill: 'ink', stroke: 'none', weight: 1 },
  ...more,
})

describe('the numbers of a polygon', () => {
  it('are those of what is drawn, rounded corners included, not of the circle it stands in', () => {
    const triangle = polygon({ sides: 3, corner: 0, w: 20, h: 20 })
    expect(frameOf(triangle, scene)).toMatchObject({ h: 15, y: 3 })
    expect(frameOf(triangle, scene).w).toBeCloseTo(10 * Math.sqrt(3), 12)
    fc.assert(
      fc.property(any, (given) => {
        const frame = frameOf(polygon(given), scene),
          drawn = pathBounds(outline(polygon(given), scene))!
        for (const key of ['x', 'y', 'w', 'h'] as const) expect(frame[key]).toBeCloseTo(drawn[key], 9)
      }),
    )
  })

  it('typed for any anchor are what is drawn then, however it is turned', () => {
    fc.assert(
      fc.property(any, fc.constantFrom(0, 0.5, 1), fc.integer({ min: 6, max: 30 }), (given, share, w) => {
        const before = polygon(given, given.turn ? { turn: given.turn } : {}),
          anchor = { x: share, y: 1 - share }
        const after = changeNumbers(before, scene, anchor, { w, x: 5, y: 7 }),
          frame = frameOf(after, scene)
        expect(frame.w).toBeCloseTo(w, 4)
        expect(frame.h).toBeCloseTo(frameOf(before, scene).h, 4)
        expect(framePoint(frame, anchor).x).toBeCloseTo(5, 4)
        expect(framePoint(frame, anchor).y).toBeCloseTo(7, 4)
        expect(after.turn).toBe(before.turn)
      }),
    )
  })
})
