import { z } from 'zod'

/** A finite number a drawing may hold, in grid units. */
export const Coordinate = z.number().min(-1e6).max(1e6)

/** Whether the linear part of a map is not nearly singular. */
function isFull([a, b, c, d]: readonly number[]): boolean {
  const det = Math.abs(a! * d! - b! * c!)
  return det > 1e-9 && det > 1e-5 * (a! ** 2 + b! ** 2 + c! ** 2 + d! ** 2)
}

const FLAT = 'A map that flattens everything is refused.'

/** The linear part of an affine map, by columns, and a whole one; those that flatten everything are none. */
export const LinearMap = z.array(Coordinate).length(4).refine(isFull, FLAT)
export const AffineMap = z.array(Coordinate).length(6).refine(isFull, FLAT)

/** A place or a vector, in grid units. */
export const PointXY = z.strictObject({ x: Coordinate, y: Coordinate })
