import { type Patchwork } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<Patchwork> = {
  withStyles(object, change) {
    let same = true
    const swept = object.swept.map((one) => {
      const style = change(one.style)
      if (style === one.style) return one
      same = false
      return { ...one, style }
    })
    return same ? object : { ...object, swept }
  },
}
