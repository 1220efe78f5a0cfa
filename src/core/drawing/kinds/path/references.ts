import { withNodeRadii } from '../../scene/corners'
import { type PathObject } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<PathObject> = {
  withRadii(object, change) {
    const contours = object.contours.map((run) => {
      const nodes = withNodeRadii(run.nodes, change)
      return nodes === run.nodes ? run : { ...run, nodes }
    })
    return contours.every((run, i) => run === object.contours[i]) ? object : { ...object, contours }
  },
}
