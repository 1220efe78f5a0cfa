import { z } from 'zod'
import { Signature } from '../../model/signature'
import { PointXY } from '../../model/place'
import { Weight } from '../../model/style'
import { common, type WithMembers } from '../traits'

/**
 * Strands and shapes that go over and under each other: by turns along each strand, or each over the next. `flipped`
 * are the crossings at which it is the other way round; `gap` is left free beside what lies over.
 */
export const Interlace = z.strictObject({
  kind: z.literal('interlace'),
  ...common,
  order: z.enum(['turns', 'next']),
  gap: z.union([Weight, z.literal(0)]),
  flipped: z.array(Signature).max(2000).optional(),
  /** The crossing from which over and under go by turns. */
  start: PointXY.optional(),
})
export type Interlace = z.infer<typeof Interlace> & WithMembers
