import { type Assembly } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Assembly> = {
  // Picked corners are known by their places.
  fit: (object) => (object.corners?.picked ? null : object),
}
