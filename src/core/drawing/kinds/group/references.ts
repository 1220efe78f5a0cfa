import type { Group } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<Group> = {
  part: ({ opened }) => opened?.part,
  withPart: (object, part) => (object.opened ? { ...object, opened: { ...object.opened, part } } : object),
}
