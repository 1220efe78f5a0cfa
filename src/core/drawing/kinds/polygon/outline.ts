import { type Path, polyline } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { cosSin } from '../../../geometry/transform'
import { cornerOf, finished, finishedRun } from '../../scene/corners'
import { framePoint } from '../../model/frame'
import type { Scene } from '../../scene/scene'
import type { Polygon } from './schema'
import { polygonRun } from './side'

/** The outline of a polygon, its corners finished. */
export const polygonPath = (object: Polygon, scene: Scene): Path =>
  object.side
    ? finishedRun(object, polygonRun(object), scene)
    : finished([polyline(polygonNodes(object), true)], () => cornerOf(object, scene))

/** The nodes of a polygon or star before its corners are finished, clockwise from the top. */
export function polygonNodes(object: Polygon): Point[] {
  const { sides, depth = 0 } = object
  const count = depth > 0 ? 2 * sides : sides
  return Array.from({ length: count }, (_, i) => {
    const { cos, sin } = cosSin((360 * i) / count - 90)
    const reach = depth > 0 && i % 2 === 1 ? (1 - depth) / 2 : 0.5
    return framePoint(object, { x: 0.5 + reach * cos, y: 0.5 + reach * sin })
  })
}
