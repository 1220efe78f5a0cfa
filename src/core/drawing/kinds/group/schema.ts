import { z } from 'zod'
import { ValueName } from '../../model/paint'
import { common, type WithMembers } from '../../model/traits'
import { placing } from '../placement/placing'

/**
 * With a `mask` the front member is not painted but says where the others are: in it, out of it, or as far as its own
 * paint is opaque (`fade`).
 */
export const Mask = z.enum(['inside', 'outside', 'fade'])
export type Mask = z.infer<typeof Mask>

export const Group = z.strictObject({
  kind: z.literal('group'),
  ...common,
  mask: Mask.optional(),
  /** By how much each member is drawn on beneath those above it. */
  underlap: z.number().min(0).max(100).optional(),
  /** The placement that was opened to edit its part here, until it is put back. */
  opened: z.strictObject({ part: ValueName, ...placing }).optional(),
})
export type Group = z.infer<typeof Group> & WithMembers
