import fc from 'fast-check'
import { expect, it } from 'vitest'
import { runs } from '../../testing/runs'
import { readPathData } from '../formats/path-reader'
import { distanceTo } from './distance-to'
import { distance } from './point'
import { pointAt } from './segment'

const number = fc.integer({ min: -48, max: 48 }).map((n) => n / 2)
const place = fc.tuple(number, number)

/** Segments that run on from each other: lines, some of no length as dots have them, arcs and curves that may fold. */
const path = fc
  .tuple(
    place,
    fc.array(
      fc.oneof(
        place.map(([x, y]) => `L${x} ${y}`),
        fc.constant('l0 0'),
        fc
          .tuple(
            place,
            fc.integer({ min: 1, max: 20 }),
            fc.integer({ min: 1, max: 20 }),
            fc.nat(180),
            fc.nat(1),
            fc.nat(1),
          )
          .map(([[x, y], rx, ry, turn, large, sweep]) => `A${rx} ${ry} ${turn} ${large} ${sweep} ${x} ${y}`),
        fc.tuple(place, place, place).map((all) => `C${all.flat().join(' ')}`),
      ),
      { minLength: 1, maxLength: 5 },
    ),
  )
  .map(([[x, y], segments]) => readPathData(`M${x} ${y}${segments.join('')}`))

it('the distance to a path is what its nearest place has, of dots too', () => {
  const STEPS = 400
  fc.assert(
    fc.property(path, place, (outline, [x, y]) => {
      const p = { x: x + 0.1, y: y - 0.3 },
        away = distanceTo(outline)(p)
      let least = Infinity,
        gap = 0
      for (const segment of outline.flatMap(({ segments }) => segments))
        for (let i = 0; i <= STEPS; i++) {
          const at = pointAt(segment, i / STEPS)
          least = Math.min(least, distance(at, p))
          if (i > 0) gap = Math.max(gap, distance(at, pointAt(segment, (i - 1) / STEPS)))
        }
      expect(away).toBeLessThanOrEqual(least + 1e-9)
      expect(away).toBeGreaterThanOrEqual(least - gap - 1e-9)
    }),
    runs(200),
  )
})
