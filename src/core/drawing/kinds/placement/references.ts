import type { Placement } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<Placement> = {
  part: ({ part }) => part,
  withPart: (object, part) => ({ ...object, part }),
  withColours(object, change) {
    const colours = object.colours?.map(({ from, to }) => ({ from: change(from), to: change(to) }))
    const isSame = colours?.every(
      ({ from, to }, i) => from === object.colours![i]!.from && to === object.colours![i]!.to,
    )
    return isSame === false ? { ...object, colours: colours! } : object
  },
}
