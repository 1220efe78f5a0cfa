import { z } from 'zod'
import { Colour, ValueName } from '../../model/paint'
import { LinearMap, PointXY } from '../../model/place'

const ColourName = z.union([ValueName, Colour])

/**
 * The placing of a part: its anchor at `at`, and a linear map. Weights from the rules do not scale by default;
 * `colours` replace those of the part.
 */
export const placing = {
  at: PointXY,
  map: LinearMap.optional(),
  weights: z.literal('scaled').optional(),
  colours: z
    .array(z.strictObject({ from: ColourName, to: ColourName }))
    .max(64)
    .optional(),
}
