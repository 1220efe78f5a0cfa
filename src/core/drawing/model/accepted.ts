import { z } from 'zod'
import { PointXY } from './place'

/** An accepted snag: its check, its objects or else its place, and the reason. */
export const Accepted = z.strictObject({
  check: z.string().regex(/^[a-z-]{1,40}$/),
  objects: z.array(z.string().max(40)).max(200),
  at: PointXY.optional(),
  reason: z.string().trim().min(1, 'Give a reason for leaving it.').max(200),
})
export type Accepted = z.infer<typeof Accepted>
