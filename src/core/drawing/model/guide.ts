import { z } from 'zod'
import { Coordinate } from './place'

/**
 * A line without end to draw by: through a point, at an angle in degrees, anticlockwise from the right. A locked one is
 * not dragged.
 */
export const Guide = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'An id has at most 40 lower-case letters, digits and hyphens.'),
  at: z.strictObject({ x: Coordinate, y: Coordinate }),
  angle: z.number().min(0).lt(180),
  locked: z.literal(true).optional(),
})

export type Guide = z.infer<typeof Guide>
