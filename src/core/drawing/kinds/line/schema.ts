import { z } from 'zod'
import { PointXY } from '../../model/place'
import { Finish } from '../../model/style'
import { common } from '../../model/traits'

export const Line = z.strictObject({ kind: z.literal('line'), ...common, from: PointXY, to: PointXY, style: Finish })
export type Line = z.infer<typeof Line>
