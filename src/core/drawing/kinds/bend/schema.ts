import { z } from 'zod'
import { NodeRun } from '../../model/node'
import { PointXY } from '../../model/place'
import { common, type WithMembers } from '../../model/traits'
import { Trace } from './trace'

/**
 * Members bent along strokes. A share of the length of the straight `base` goes to the same share of each stroke's
 * length; distances from it are kept, times `width`. A stroke drawn by hand keeps its `trace`, which allows another
 * smoothing later. The result may be `flipped` over its stroke, `reversed`, or both.
 */
export const Bend = z.strictObject({
  kind: z.literal('bend'),
  ...common,
  base: z.strictObject({ from: PointXY, to: PointXY }),
  strokes: z
    .array(
      z.strictObject({
        run: NodeRun,
        trace: Trace.optional(),
        lies: z.enum(['flipped', 'reversed', 'both']).optional(),
      }),
    )
    .min(1)
    .max(100),
  width: z.number().min(-100).max(100),
})
export type Bend = z.infer<typeof Bend> & WithMembers
