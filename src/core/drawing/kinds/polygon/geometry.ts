import { drawnFrames } from '../drawn-frame'
import { polygonPath } from './outline'
import { type Polygon } from './schema'
import { folded, polygonRun, turnedSide } from './side'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Polygon> = {
  edge: polygonPath,
  ...drawnFrames<Polygon>(polygonPath, (object) => ({ ...object, corner: 0 })),
  turnedOver: (object) => (object.side ? { ...object, side: turnedSide(object.side) } : object),
  nodes: (object) => [polygonRun(object)],
  fold: folded,
  lost: 'its number of sides',
}
