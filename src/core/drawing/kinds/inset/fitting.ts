import type { Inset } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Inset> = {
  fit: (object) => object,
}
