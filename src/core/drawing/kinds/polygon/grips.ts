import type { Point } from '../../../geometry/point'
import { cosSin } from '../../../geometry/transform'
import { framePoint, shareOf } from '../../model/frame'
import { cornerGrip, pulledRadius, radiusFigure } from '../../scene/grip'
import { polygonNodes } from './outline'
import { type Polygon } from './schema'
import type { GripsFacet } from '../facets/grips'

export const grips: GripsFacet<Polygon> = {
  places: (object, scene, least) => [
    {
      id: 'corner',
      at: cornerGrip(polygonNodes(object), 0, scene.radius(object.corner), least),
      what: 'corner',
    },
    { id: 'depth', at: depthGrip(object), what: 'depth' },
  ],
  pull(object, grip, to, scene, pull) {
    if (grip === 'corner') {
      const corner = pulledRadius(polygonNodes(object), 0, to, scene, pull)
      return { object: { ...object, corner }, figure: radiusFigure(corner, scene) }
    }
    // How far the point is from the centre along the middle of the first side, as a share of the way to the corners.
    const p = shareOf(object, to),
      angle = (90 - 180 / object.sides) * (Math.PI / 180)
    const along = p.x * Math.cos(angle) - p.y * Math.sin(angle),
      flat = Math.cos(Math.PI / object.sides)
    const depth = along >= flat - 0.02 ? 0 : Math.max(0.01, Math.min(0.99, Math.round((1 - along) * 100) / 100))
    const { depth: _, ...rest } = object
    return { object: depth > 0 ? { ...rest, depth } : rest, figure: `${Math.round(depth * 100)} % deep` }
  },
}

/** The grip on the middle of the first side, at its depth. */
function depthGrip(object: Polygon): Point {
  const { cos, sin } = cosSin(180 / object.sides - 90),
    reach = (object.depth ? 1 - object.depth : Math.cos(Math.PI / object.sides)) / 2
  return framePoint(object, { x: 0.5 + reach * cos, y: 0.5 + reach * sin })
}
