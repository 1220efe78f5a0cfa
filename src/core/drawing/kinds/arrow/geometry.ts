import { polyline } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { cornerOf, finished } from '../../scene/corners'
import { framePoint } from '../../model/frame'
import { nodesOf } from '../../model/nodes'
import type { Arrow } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Arrow> = {
  edge: (object, scene) => finished([polyline(places(object), true)], () => cornerOf(object, scene)),
  turnedOver({ back, ...rest }) {
    return back ? rest : { ...rest, back: true }
  },
  // Its corners before they are finished.
  nodes: (object, scene) =>
    finished([polyline(places(object), true)], () => cornerOf(object, scene, 0)).map((contour) => nodesOf(contour)),
  lost: 'head and shaft as numbers',
}

/** Shaft and head, from the tail's upper corner clockwise. */
function places(object: Arrow): Point[] {
  const { head, shaft, back } = object
  const neck = 1 - head,
    top = (1 - shaft) / 2,
    low = (1 + shaft) / 2
  const shares: [number, number][] = [
    [0, top],
    [neck, top],
    [neck, 0],
    [1, 0.5],
    [neck, 1],
    [neck, low],
    [0, low],
  ]
  return shares.map(([x, y]) => framePoint(object, { x: back ? 1 - x : x, y }))
}
