import { sceneOf } from './evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { area } from '../../geometry/area'
import { measure } from '../../geometry/measure'
import { pathBounds } from '../../geometry/path'
import { distance } from '../../geometry/point'
import { STARTERS } from '../../rules/starters'
import { outline } from './evaluate'
import { gripsOf, pullGrip } from '../edit/grips'
import type { DrawingObject } from '../objects/object'
import { runs } from '../../../testing/runs'

const { rules } = STARTERS[0]!
const style = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const ellipse = (w: number, h: number, more = {}): DrawingObject => ({
  kind: 'ellipse',
  id: 'e',
  name: 'e',
  x: 2,
  y: 3,
  w,
  h,
  ...more,
  style,
})
const polygon = (w: number, h: number, sides: number, more = {}): DrawingObject => ({
  kind: 'polygon',
  id: 'p',
  name: 'p',
  x: 2,
  y: 3,
  w,
  h,
  sides,
  corner: 0,
  ...more,
  style,
})
const rectangle = (w: number, h: number, more = {}): DrawingObject => ({
  kind: 'rectangle',
  id: 'r',
  name: 'r',
  x: 2,
  y: 3,
  w,
  h,
  corner: 0,
  ...more,
  style,
})
const arrow = (w: number, h: number, head: number, shaft: number, more = {}): DrawingObject => ({
  kind: 'arrow',
  id: 'a',
  name: 'a',
  x: 2,
  y: 3,
  w,
  h,
  head,
  shaft,
  corner: 0,
  ...more,
  style,
})
const areaOf = (object: DrawingObject) => Math.abs(area(outline(object, sceneOf(rules))))

const side = fc.integer({ min: 2, max: 40 }).map((n) => n / 2)
const share = fc.integer({ min: 5, max: 95 }).map((n) => n / 100)
const turn = fc.constantFrom({}, { turn: 30 }, { turn: -75 }, { turn: 20, skew: 15 })

describe('the area of', () => {
  it('an ellipse and a ring is π of the half axes, less the hole, however it lies', () => {
    fc.assert(
      fc.property(side, side, fc.option(share, { nil: 0 }), turn, (w, h, hole, how) => {
        const whole = (Math.PI * w * h) / 4
        // A slant keeps areas; the frame's sides are those before it.
        expect(areaOf(ellipse(w, h, { ...how, ...(hole > 0 && { hole }) }))).toBeCloseTo(whole * (1 - hole * hole), 6)
      }),
    )
  })

  it('a pie is its share of the ellipse; a chord is that less a triangle; both with the rest make the whole', () => {
    fc.assert(
      fc.property(
        side,
        side,
        fc.integer({ min: -180, max: 180 }),
        fc.integer({ min: 5, max: 355 }),
        (w, h, from, extent) => {
          const part = { from, to: from + extent > 360 ? from + extent - 360 : from + extent },
            a = w / 2,
            b = h / 2,
            radians = (extent * Math.PI) / 180
          expect(areaOf(ellipse(w, h, { ...part, cut: 'pie' }))).toBeCloseTo((a * b * radians) / 2, 6)
          expect(areaOf(ellipse(w, h, { ...part, cut: 'chord' }))).toBeCloseTo(
            (a * b * (radians - Math.sin(radians))) / 2,
            6,
          )
          const rest = { from: part.to, to: part.from }
          expect(
            areaOf(ellipse(w, h, { ...part, cut: 'pie' })) + areaOf(ellipse(w, h, { ...rest, cut: 'pie' })),
          ).toBeCloseTo(Math.PI * a * b, 6)
        },
      ),
    )
  })

  it('a polygon is that of as many triangles, a star that of twice as many, every other corner drawn in', () => {
    fc.assert(
      fc.property(side, side, fc.integer({ min: 3, max: 24 }), share, (w, h, sides, depth) => {
        const plain = (sides / 2) * (w / 2) * (h / 2) * Math.sin((2 * Math.PI) / sides)
        expect(areaOf(polygon(w, h, sides))).toBeCloseTo(plain, 6)
        expect(areaOf(polygon(w, h, sides, { depth }))).toBeCloseTo(
          sides * (w / 2) * (h / 2) * (1 - depth) * Math.sin(Math.PI / sides),
          6,
        )
      }),
    )
  })

  it('an arrow is its head and its shaft, whichever way it points', () => {
    fc.assert(
      fc.property(side, side, share, share, fc.boolean(), (w, h, head, shaft, back) => {
        expect(areaOf(arrow(w, h, head, shaft, back ? { back } : {}))).toBeCloseTo(
          (head * w * h) / 2 + (1 - head) * w * shaft * h,
          6,
        )
      }),
    )
  })

  it('a rectangle loses at each corner what its own radius and style take', () => {
    const r = (n: number) => n * n
    const taken = {
      round: (n: number) => (1 - Math.PI / 4) * r(n),
      bevel: (n: number) => r(n) / 2,
      scoop: (n: number) => (Math.PI / 4) * r(n),
      notch: (n: number) => r(n),
    }
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 4, maxLength: 4 }),
        fc.constantFrom(...(Object.keys(taken) as (keyof typeof taken)[])),
        (corners, cornerStyle) => {
          const lost = corners.reduce((sum, n) => sum + taken[cornerStyle](n), 0)
          expect(areaOf(rectangle(12, 10, { corners, ...(cornerStyle !== 'round' && { cornerStyle }) }))).toBeCloseTo(
            120 - lost,
            6,
          )
        },
      ),
    )
    expect(areaOf(rectangle(12, 10, { corner: 'outer' }))).toBeCloseTo(120 - 4 * (1 - Math.PI / 4) * 4, 9)
  })
})

describe('a spiral', () => {
  it('is as long as its quarter circles, each larger by as much, and ends on the frame', () => {
    for (const [turns, inner] of [
      [2, 0.2],
      [1, 0],
      [3.25, 0.5],
    ] as const) {
      const path = outline(
        { kind: 'spiral', id: 's', name: 's', x: 0, y: 0, w: 20, h: 20, turns, inner, style },
        sceneOf(rules),
      )
      const quarters = turns * 4,
        radii = Array.from({ length: quarters }, (_, i) => 10 * (1 - (i * (1 - inner)) / quarters))
      expect(measure(path).length).toBeCloseTo(
        radii.reduce((sum, one) => sum + (one * Math.PI) / 2, 0),
        6,
      )
      expect(path[0]!.segments[0]!.from).toEqual({ x: 20, y: 10 })
    }
  })
})

describe('grips', () => {
  it('pulled to where they are change nothing; pulled elsewhere they stay in their shape’s limits', () => {
    const shapes = [
      rectangle(12, 10, { corner: 2 }),
      ellipse(12, 8, { from: 20, to: 200, cut: 'pie' }),
      ellipse(10, 10, { hole: 0.4 }),
      polygon(12, 12, 5, { depth: 0.3 }),
      arrow(14, 8, 0.4, 0.5),
    ]
    const place = fc.record({ x: fc.integer({ min: -10, max: 40 }), y: fc.integer({ min: -10, max: 40 }) })
    for (const shape of shapes) {
      const before = outline(shape, sceneOf(rules))
      for (const { id, at } of gripsOf(shape, sceneOf(rules), 0)) {
        const same = outline(
          pullGrip(shape, id, at, sceneOf(rules), { step: null, alone: false }).object,
          sceneOf(rules),
        )
        expect(Math.abs(area(same) - area(before))).toBeLessThan(1e-6)
        fc.assert(
          fc.property(place, (p) => {
            const { object } = pullGrip(shape, id, p, sceneOf(rules), { step: 0.5, alone: false })
            const box = pathBounds(outline(object, sceneOf(rules)))
            if (box) expect(box.w).toBeLessThanOrEqual(14 + 1e-6)
            expect(distance({ x: 'x' in object ? object.x : 0, y: 'y' in object ? object.y : 0 }, { x: 2, y: 3 })).toBe(
              0,
            )
          }),
          runs(30),
        )
      }
    }
  })
})
