import { fittedFrame } from '../../model/fitting'
import type { Ellipse } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Ellipse> = {
  fit: fittedFrame,
}
