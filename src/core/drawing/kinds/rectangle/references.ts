import type { Rectangle } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<Rectangle> = {
  withRadii(object, change) {
    if (!object.corners) return object
    const corners = object.corners.map(change)
    return corners.every((corner, i) => corner === object.corners![i]) ? object : { ...object, corners }
  },
}
