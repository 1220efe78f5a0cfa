import { z } from 'zod'
import { Cut } from '../../model/cut'
import { Finish } from '../../model/style'
import { common, Degrees, type WithMembers } from '../../model/traits'

/**
 * A flat long shadow: the area that the members sweep in a direction (degrees, anticlockwise from the right), for a
 * length, or to the edge of the plate that clips it. It may fade towards its end.
 */
export const Cast = z.strictObject({
  kind: z.literal('cast'),
  ...common,
  angle: Degrees,
  length: z.number().min(0).max(10_000),
  /** The plate of the rules that cuts it, and where that is centred. */
  cut: Cut.optional(),
  /** It is not cut, though there be a plate. */
  whole: z.literal(true).optional(),
  fades: z.literal(true).optional(),
  style: Finish,
})
export type Cast = z.infer<typeof Cast> & WithMembers
