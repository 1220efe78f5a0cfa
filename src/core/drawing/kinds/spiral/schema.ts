import { z } from 'zod'
import { Finish } from '../../model/style'
import { common, framed } from '../../model/traits'

/**
 * A spiral of quarter circles, each larger than the one before by as much, out to the frame's right; `inner` is the
 * first radius as a share of the last. With `flip` it is turned over from left to right.
 */
export const Spiral = z.strictObject({
  kind: z.literal('spiral'),
  ...common,
  ...framed,
  turns: z.number().min(0.25).max(50),
  inner: z.number().min(0).max(0.99),
  flip: z.literal(true).optional(),
  style: Finish,
})
export type Spiral = z.infer<typeof Spiral>
