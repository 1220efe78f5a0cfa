import { z } from 'zod'

/** A finite number a drawing may hold, in grid units. */
export const Coordinate = z.number().min(-1e6).max(1e6)

/** A place or a vector, in grid units. */
export const PointXY = z.strictObject({ x: Coordinate, y: Coordinate })
