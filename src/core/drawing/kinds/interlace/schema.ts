import { z } from 'zod'
import { Signature } from '../../model/signature'
import { PointXY } from '../../model/place'
import { Weight } from '../../model/style'
import { common, type WithMembers } from '../../model/traits'

/**
 * Strands and shapes that pass over and under each other: alternating along each strand, or each over the next.
 * `flipped` are the crossings with the opposite order; `gap` stays free beside the upper strand.
 */
export const Interlace = z.strictObject({
  kind: z.literal('interlace'),
  ...common,
  order: z.enum(['turns', 'next']),
  gap: z.union([Weight, z.literal(0)]),
  flipped: z.array(Signature).max(2000).optional(),
  /** The crossing at which the alternation starts. */
  start: PointXY.optional(),
})
export type Interlace = z.infer<typeof Interlace> & WithMembers
