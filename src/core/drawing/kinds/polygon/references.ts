import { withNodeRadii } from '../../scene/corners'
import { type Polygon } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<Polygon> = {
  withRadii(object, change) {
    if (!object.side) return object
    const nodes = withNodeRadii(object.side.nodes, change)
    return nodes === object.side.nodes ? object : { ...object, side: { ...object.side, nodes } }
  },
}
