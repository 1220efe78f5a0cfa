import { z } from 'zod'
import { AffineMap, PointXY } from '../../model/place'
import { common, type WithMembers } from '../../model/traits'

/** A point of the space that is warped: from (0, 0), its first corner, to (1, 1), and beyond. */
const Share = PointXY

/** How the unit square is warped: its corners, a form by its amount, or all sixteen handles of an envelope. */
export const Form = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('corners'), corners: z.array(Share).length(4) }),
  z.strictObject({
    by: z.literal('form'),
    form: z.enum(['bow', 'wave', 'swell', 'pinch']),
    amount: z.number().min(-10).max(10),
  }),
  z.strictObject({ by: z.literal('lattice'), handles: z.array(Share).length(16), pairs: z.literal(true).optional() }),
])
export type Form = z.infer<typeof Form>

/** Warped members: `space` is the affine map of the unit square to their place, `form` the warp. */
export const Warp = z.strictObject({
  kind: z.literal('warp'),
  ...common,
  space: AffineMap,
  form: Form,
})
export type Warp = z.infer<typeof Warp> & WithMembers
