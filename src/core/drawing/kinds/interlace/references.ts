import { type Interlace } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<Interlace> = {
  withWeights(object, change) {
    if (object.gap === 0) return object
    const gap = change(object.gap)
    return gap === object.gap ? object : { ...object, gap }
  },
}
