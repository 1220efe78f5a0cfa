import { z } from 'zod'
import { Finish } from '../../model/style'
import { common, cornered, framed } from '../../model/traits'
import { PolygonSide } from './side'

/**
 * A regular polygon in the ellipse of its frame, with a node at the top. With `depth`, the share by which each side is
 * drawn in, a star; with `side`, a polygon with edited sides.
 */
export const Polygon = z.strictObject({
  kind: z.literal('polygon'),
  ...common,
  ...framed,
  sides: z
    .int('The number of sides is a whole number.')
    .min(3, 'A polygon has at least 3 sides.')
    .max(120, 'A polygon may have at most 120 sides.'),
  depth: z.number().min(0).max(0.99).optional(),
  side: PolygonSide.optional(),
  ...cornered,
  style: Finish,
})
export type Polygon = z.infer<typeof Polygon>
