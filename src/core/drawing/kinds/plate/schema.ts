import { z } from 'zod'
import { ValueName } from '../../model/paint'
import { LinearMap, PointXY } from '../../model/place'
import { Finish } from '../../model/style'
import { common } from '../../model/traits'

/** A plate of the rules behind a drawing: its centre, and a linear map. */
export const PlateObject = z.strictObject({
  kind: z.literal('plate'),
  ...common,
  plate: ValueName,
  at: PointXY,
  map: LinearMap.optional(),
  style: Finish,
})
export type PlateObject = z.infer<typeof PlateObject>
