import { z } from 'zod'
import { PointXY } from '../../model/place'
import { common, Degrees, type WithMembers } from '../../model/traits'

/**
 * Live symmetry about a point: the members, and their images turned to each of `folds` places around it; with `flip`
 * each is also turned over at the line through it at `angle` (degrees, anticlockwise from the right). Open lines are
 * joined where images meet.
 */
export const Mirror = z.strictObject({
  kind: z.literal('mirror'),
  ...common,
  at: PointXY,
  angle: Degrees,
  folds: z.int().min(1).max(120),
  flip: z.boolean(),
})
export type Mirror = z.infer<typeof Mirror> & WithMembers
