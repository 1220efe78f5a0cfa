import type { Point } from './point'
import { apply, type Transform } from './transform'

/**
 * A number this near to a decimal of nine digits is taken for it: a few rounding errors of coordinates up to a
 * thousand.
 */
const NOISE = 1e-12

/**
 * A number without the rounding errors in its last digits: 7.300000000000001 becomes 7.3. Numbers that are no short
 * decimals, such as the coordinates of a tangent point, stay the same to the last bit.
 */
export function tidy(value: number): number {
  const short = Math.round(value * 1e9) / 1e9
  return Math.abs(short - value) <= NOISE ? short + 0 : value
}

/** The image of a point under a map, without rounding errors. */
export function applyTidy(map: Transform, p: Point): Point {
  const { x, y } = apply(map, p)
  return { x: tidy(x), y: tidy(y) }
}
