import { z } from 'zod'
import { Finish } from '../../model/style'
import { common, cornered, framed } from '../../model/traits'

/**
 * An arrow to the right in its frame, or to the left (`back`): `head` and `shaft` are shares of its length and of its
 * height.
 */
export const Arrow = z.strictObject({
  kind: z.literal('arrow'),
  ...common,
  ...framed,
  head: z.number().min(0.01).max(1),
  shaft: z.number().min(0.01).max(1),
  back: z.literal(true).optional(),
  ...cornered,
  style: Finish,
})
export type Arrow = z.infer<typeof Arrow>
