import { z } from 'zod'
import { ValueName } from './paint'
import { LinearMap, PointXY } from './place'

/** The edge of a ground that something goes as far as: a plate of the rules, centred at a place, as a map has it. */
export const Cut = z.strictObject({ plate: ValueName, at: PointXY, map: LinearMap.optional() })
export type Cut = z.infer<typeof Cut>
