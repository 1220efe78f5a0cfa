import type { Group } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Group> = {
  fit: (object) => (object.opened ? null : object),
}
