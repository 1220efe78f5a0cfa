import { sceneOf } from '../evaluate/evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { area } from '../../geometry/area'
import { distance, point } from '../../geometry/point'
import { ellipse, polyline } from '../../geometry/path'
import { enclosingCircle, inkCentroid } from '../../proof/optical-centre'
import { inkOfAll } from '../scene/ink'
import { SAMPLE_RULES } from '../../../testing/sample-rules'
import { extent } from '../evaluate/extent'
import { aligned, type Side, spaced } from './arrange'
import { simple } from '../../../testing/arbitrary'
import { evaluateAll } from '../evaluate/evaluate'
import type { DrawingObject } from '../objects/object'
import { runs } from '../../../testing/runs'

const rules = SAMPLE_RULES
const style = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const box = (id: string, x: number, y: number, w: number, h: number): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x,
  y,
  w,
  h,
  corner: 0,
  style,
})
const boxes = [box('a', 1, 2, 4, 4), box('b', 9, 7, 2, 6), box('c', 20, 0, 3, 3)]
const square = { x: 0, y: 0, w: 24, h: 24 }

describe('aligning', () => {
  it('brings the named side of each onto that of the box, and nothing else moves', () => {
    const read: Record<Side, (b: { x: number; y: number; w: number; h: number }) => number> = {
      left: (b) => b.x,
      right: (b) => b.x + b.w,
      centre: (b) => b.x + b.w / 2,
      top: (b) => b.y,
      bottom: (b) => b.y + b.h,
      middle: (b) => b.y + b.h / 2,
    }
    fc.assert(
      fc.property(
        fc.array(simple, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...(Object.keys(read) as Side[])),
        (objects, side) => {
          const across = side === 'left' || side === 'right' || side === 'centre'
          aligned(objects, sceneOf(rules), side, square, false).forEach((object, i) => {
            const before = extent(objects[i]!, sceneOf(rules)),
              after = extent(object, sceneOf(rules))
            expect(read[side](after)).toBeCloseTo(read[side](square), 3)
            expect(across ? after.y : after.x).toBeCloseTo(across ? before.y : before.x, 3)
            expect([after.w - before.w, after.h - before.h].every((change) => Math.abs(change) < 1e-3)).toBe(true)
          })
        },
      ),
      runs(120),
    )
  })

  it('moves them as one where it is said so: what lies between them stays', () => {
    expect(
      aligned(boxes, sceneOf(rules), 'right', square, true).map((object) => extent(object, sceneOf(rules)).x),
    ).toEqual([2, 10, 21])
  })
})

describe('spacing', () => {
  it('shares what is between the outermost, or takes the gap that is typed', () => {
    // From 1 to 23 with 9 taken: 13 left for two gaps.
    expect(spaced(boxes, sceneOf(rules), 'x', null).map((object) => extent(object, sceneOf(rules)).x)).toEqual([
      1, 11.5, 20,
    ])
    expect(spaced(boxes, sceneOf(rules), 'x', 1).map((object) => extent(object, sceneOf(rules)).x)).toEqual([1, 6, 9])
    expect(
      spaced(boxes, sceneOf(rules), 'y', 0.5).map((object) => [object.name, extent(object, sceneOf(rules)).y]),
    ).toEqual([
      ['c', 0],
      ['a', 3.5],
      ['b', 8],
    ])
  })
})

describe('the optical centre', () => {
  it('by ink: of a triangle a third of its height, of a disc with a stroke its middle, overlaps counted once', () => {
    expect(inkCentroid([polyline([point(0, 0), point(12, 0), point(6, 9)], true)])).toMatchObject({
      x: expect.closeTo(6, 9),
      y: expect.closeTo(3, 9),
    })
    const twice = inkOfAll(evaluateAll([box('a', 0, 0, 8, 8), box('b', 4, 0, 8, 8)], sceneOf(rules)))
    expect(area(twice)).toBeCloseTo(96, 9)
    expect(inkCentroid(twice)!.x).toBeCloseTo(6, 9)
    expect(inkCentroid([])).toBeNull()
  })

  it('by the least circle around it: as known of squares and discs, and it holds any cloud of corners', () => {
    expect(enclosingCircle([polyline([point(0, 0), point(6, 0), point(6, 8), point(0, 8)], true)])).toMatchObject({
      centre: { x: 3, y: 4 },
      r: 5,
    })
    expect(enclosingCircle([ellipse(point(5, 5), 4, 4)])!.r).toBeCloseTo(4, 9)
    const place = fc.record({ x: fc.integer({ min: 0, max: 24 }), y: fc.integer({ min: 0, max: 24 }) })
    fc.assert(
      fc.property(fc.array(place, { minLength: 3, maxLength: 12 }), (points) => {
        const { centre, r } = enclosingCircle([polyline(points, true)])!
        const far = points.map((p) => distance(p, centre))
        for (const one of far) expect(one).toBeLessThanOrEqual(r + 1e-6)
        // It rests on two points across or on three, or it could be smaller.
        expect(far.filter((one) => one > r - 1e-6).length).toBeGreaterThanOrEqual(
          Math.min(2, new Set(points.map(({ x, y }) => `${x} ${y}`)).size),
        )
      }),
    )
  })
})
