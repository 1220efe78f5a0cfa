import { z } from 'zod'
import { ValueName } from '../../model/paint'
import { common } from '../../model/traits'
import { placing } from './placing'

/** One use of a part. */
export const Placement = z.strictObject({ kind: z.literal('placement'), ...common, part: ValueName, ...placing })
export type Placement = z.infer<typeof Placement>
