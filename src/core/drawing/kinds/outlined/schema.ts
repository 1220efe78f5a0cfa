import { z } from 'zod'
import { common, type WithMembers } from '../../model/traits'

/** Live outlines of strokes: what its members paint, each stroke as a filled outline. */
export const Outlined = z.strictObject({ kind: z.literal('outlined'), ...common })
export type Outlined = z.infer<typeof Outlined> & WithMembers
