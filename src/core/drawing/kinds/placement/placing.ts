import { z } from 'zod'
import { Colour, ValueName } from '../../model/paint'
import { LinearMap, PointXY } from '../../model/place'

const ColourName = z.union([ValueName, Colour])

/**
 * How a part is placed: its place of insertion at `at`, and what was done to it beyond moving as a linear map. Weights
 * from the rules stay as they are unless they are to scale; `colours` take the place of the part's own.
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
