import { laidNodes } from './laid-nodes'
import { type DrawingObject, type Framed, isFramed, kindOf } from './object'
import type { Point } from '../../geometry/point'

/** The places that an object was laid down by: the corners of its upright frame, or its nodes. */
export function laidPlaces(object: DrawingObject): readonly Point[] {
  if (!isUprightFrame(object)) return laidNodes(object).flatMap(({ nodes }) => nodes)
  const { x, y, w, h } = object
  return [
    { x, y },
    { x: x + w, y: y + h },
  ]
}

/** Whether an object is laid down by a frame that is neither turned nor slanted. */
export const isUprightFrame = (object: DrawingObject): object is Framed =>
  isFramed(object) && kindOf(object).fills !== undefined && !object.turn && !object.skew
