import type { Inset } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<Inset> = {
  withWeights(object, change) {
    const distance = change(object.distance)
    return distance === object.distance ? object : { ...object, distance }
  },
}
