import { z } from 'zod'
import { PointXY } from './place'

/**
 * A snag that is left as it is on purpose: what was looked for, the objects that it is about, or where it is where it is
 * about none in particular, and why it stays.
 */
export const Accepted = z.strictObject({
  check: z.string().regex(/^[a-z-]{1,40}$/),
  objects: z.array(z.string().max(40)).max(200),
  at: PointXY.optional(),
  reason: z.string().trim().min(1, 'Say why it is left as it is.').max(200),
})
export type Accepted = z.infer<typeof Accepted>
