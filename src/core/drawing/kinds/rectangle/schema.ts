import { z } from 'zod'
import { Finish, Radius } from '../../model/style'
import { common, cornered, framed } from '../../model/traits'

/** `corners`, clockwise from the top left, go before `corner`. */
export const Rectangle = z.strictObject({
  kind: z.literal('rectangle'),
  ...common,
  ...framed,
  ...cornered,
  corners: z.array(Radius).length(4).optional(),
  style: Finish,
})
export type Rectangle = z.infer<typeof Rectangle>
