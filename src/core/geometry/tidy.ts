import type { Point } from './point'
import { apply, type Transform } from './transform'

/**
 * How far from a decimal of nine digits a number may be to be taken for it: a few roundings of coordinates of up to a
 * thousand.
 */
const NOISE = 1e-12

/**
 * A number without the noise that adding and taking away leaves in its last digits: 7.300000000000001 becomes 7.3.
 * Numbers that are not a short decimal but for such noise, like the coordinates of a tangent point, stay what they are
 * to the last bit.
 */
export function tidy(value: number): number {
  const short = Math.round(value * 1e9) / 1e9
  return Math.abs(short - value) <= NOISE ? short + 0 : value
}

/** Where a map takes a place, without that noise. */
export function applyTidy(map: Transform, p: Point): Point {
  const { x, y } = apply(map, p)
  return { x: tidy(x), y: tidy(y) }
}
