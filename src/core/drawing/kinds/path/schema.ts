import { z } from 'zod'
import { NodeRun } from '../../model/node'
import { PointXY } from '../../model/place'
import { Finish } from '../../model/style'
import { common, cornered } from '../../model/traits'

/**
 * Contours of nodes. With `regions` only the regions around those points are filled; `trace` is what a hand drew, to be
 * smoothed otherwise as long as no node was touched.
 */
export const PathObject = z.strictObject({
  kind: z.literal('path'),
  ...common,
  ...cornered,
  contours: z.array(NodeRun).min(1).max(10_000),
  regions: z.array(PointXY).max(1000).optional(),
  trace: z
    .strictObject({
      points: z.array(PointXY).min(2).max(20_000),
      smoothness: z.number().min(0.01).max(10),
      closed: z.boolean(),
    })
    .optional(),
  style: Finish,
})
export type PathObject = z.infer<typeof PathObject>
