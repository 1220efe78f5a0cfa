import { z } from 'zod'

/** A finite number a drawing may hold, in grid units. */
export const Coordinate = z.number().min(-1e6).max(1e6)

/** The linear part of an affine map, by columns; one that flattens everything is none. */
export const LinearMap = z
  .array(Coordinate)
  .length(4)
  .refine(([a, b, c, d]) => Math.abs(a! * d! - b! * c!) > 1e-9, 'A map that flattens everything is refused.')

/** A place or a vector, in grid units. */
export const PointXY = z.strictObject({ x: Coordinate, y: Coordinate })
