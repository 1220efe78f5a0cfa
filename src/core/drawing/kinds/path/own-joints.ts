import type { Path } from '../../../geometry/path'
import { distance, type Point } from '../../../geometry/point'
import { SAME_POINT } from '../../../geometry/tolerance'
import type { Stroke } from '../../../outline/line-style'
import { strokedArea } from '../../../outline/stroking'
import type { Node } from '../../model/node'
import type { PathObject } from './schema'

const hasOwn = ({ join, cap }: Node): boolean => join !== undefined || cap !== undefined

/** Whether nodes of a path have joins or caps of their own, which a plain stroke cannot show. */
export const hasOwnJoints = (path: PathObject): boolean => path.contours.some(({ nodes }) => nodes.some(hasOwn))

/**
 * What the stroke of a path paints where nodes have joins or caps of their own; `outline` is the path with its corners
 * finished.
 */
export function ownJointsOutline(object: PathObject, outline: Path, stroke: Stroke): Path {
  const own = object.contours.flatMap(({ nodes }) => nodes.filter(hasOwn))
  const nodeAt = (p: Point | undefined) => own.find((node) => p && distance(node, p) <= SAME_POINT)
  const placeOf = (contour: number, node: number) => outline[contour]?.segments[node]?.from
  return strokedArea(outline, {
    ...stroke,
    joinAt: (contour, node) => nodeAt(placeOf(contour, node))?.join,
    capAt: (contour, last) => nodeAt(last ? outline[contour]?.segments.at(-1)?.to : placeOf(contour, 0))?.cap,
  })
}
