import { pathBounds } from '../../../geometry/path'
import { movedPlacing } from '../placement/placed'
import { laidPlate } from './laid'
import type { PlateObject } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<PlateObject> = {
  cuts: ({ plate: name, at, map }) => ({ plate: name, at, ...(map && { map }) }),
  edge: (object, scene) => laidPlate(scene.plate(object.plate), object),
  frame: (object, scene) => pathBounds(scene.edge(object))!,
  transform: movedPlacing,
  lost: 'its plate of the rules',
}
