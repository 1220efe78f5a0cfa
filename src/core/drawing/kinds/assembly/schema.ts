import { z } from 'zod'
import { ResultCorners } from '../../scene/result-corners'
import { Finish } from '../../model/style'
import { common, type WithMembers } from '../../model/traits'

/**
 * A live combination: each member, in order, adds to, cuts, keeps the overlap with or flips the result of the members
 * before it. `corners` finishes the corners of the result.
 */
export const Assembly = z.strictObject({
  kind: z.literal('assembly'),
  ...common,
  corners: ResultCorners.optional(),
  style: Finish,
})
export type Assembly = z.infer<typeof Assembly> & WithMembers
