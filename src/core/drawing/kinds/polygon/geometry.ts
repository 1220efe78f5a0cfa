import { drawnFrame, drawnIn } from './drawn'
import { polygonPath } from './outline'
import { type Polygon } from './schema'
import { folded, polygonRun, turnedSide } from './side'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Polygon> = {
  edge: polygonPath,
  frame: (object, scene) => drawnFrame(object, scene),
  toFrame: (object, frame, scene) => drawnIn(object, frame, scene),
  turnedOver: (object) => (object.side ? { ...object, side: turnedSide(object.side) } : object),
  nodes: (object) => [polygonRun(object)],
  fold: folded,
  lost: 'its number of sides',
}
