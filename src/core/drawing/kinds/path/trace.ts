import { freehand } from '../../../outline/freehand'
import { tidy } from '../../../geometry/tidy'
import { nodesOf } from '../../model/nodes'
import type { NodeRun } from '../../model/node'
import type { PathObject } from './schema'

type Trace = NonNullable<PathObject['trace']>

/** What a hand drew, as contours for a smoothness in grid units; null when it is too little. */
export function traced({ points, smoothness, closed }: Trace): { contours: NodeRun[]; trace: Trace } | null {
  const contour = freehand(points, smoothness, closed)
  if (!contour || contour.segments.length < (closed ? 2 : 1)) return null
  return {
    contours: [nodesOf(contour)],
    trace: {
      points: points.map(({ x, y }) => ({ x: Math.round(x * 1e4) / 1e4, y: Math.round(y * 1e4) / 1e4 })),
      smoothness: tidy(smoothness),
      closed,
    },
  }
}
