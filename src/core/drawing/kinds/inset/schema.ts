import { z } from 'zod'
import { Finish, Join, Weight as WeightSchema } from '../../model/style'
import { common, type WithMembers } from '../../model/traits'

/**
 * Live insets and outsets: one or several lines at a distance inside or around the members, each a step further. For
 * open lines the right side (inside), the left side (outside) or both. The members are painted too, unless the source
 * is hidden. `flipped` swaps the sides of open lines.
 */
export const Inset = z.strictObject({
  kind: z.literal('inset'),
  ...common,
  distance: WeightSchema,
  side: z.enum(['inside', 'outside', 'both']),
  steps: z.int().min(1).max(60),
  join: Join.optional(),
  source: z.literal('hidden').optional(),
  flipped: z.literal(true).optional(),
  style: Finish,
})
export type Inset = z.infer<typeof Inset> & WithMembers
