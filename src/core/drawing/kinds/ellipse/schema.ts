import { z } from 'zod'
import { Finish } from '../../model/style'
import { common, Degrees, framed } from '../../model/traits'

/**
 * An ellipse; with `from` and `to` (degrees, anticlockwise from the right) the part between them, cut to the centre
 * (`pie`), straight across (`chord`) or left open (`open`); with `hole`, a share of its size, a ring.
 */
export const Ellipse = z.strictObject({
  kind: z.literal('ellipse'),
  ...common,
  ...framed,
  from: Degrees.optional(),
  to: Degrees.optional(),
  cut: z.enum(['pie', 'chord', 'open']).optional(),
  hole: z.number().gt(0).lt(1).optional(),
  style: Finish,
})
export type Ellipse = z.infer<typeof Ellipse>
