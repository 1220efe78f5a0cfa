import { z } from 'zod'
import type { NodeRun } from '../../model/node'
import { PointXY } from '../../model/place'
import { traced } from '../path/trace'

/** What a hand drew, and by how much it is smoothed, in grid units. */
export const Trace = z.strictObject({
  points: z.array(PointXY).min(2).max(20_000),
  smoothness: z.number().min(0.01).max(10),
})

/** An open stroke as a hand drew it, smoothed; null when it is too little to be one. */
export function freehandRun({ points, smoothness }: z.infer<typeof Trace>): NodeRun | null {
  return traced({ points, smoothness, closed: false })?.contours[0] ?? null
}
