import type { Outlined } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Outlined> = {
  fit: (object) => object,
}
