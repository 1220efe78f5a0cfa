import { fittedPlace } from '../../model/fitting'
import type { Line } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Line> = {
  fit: (object, by) => ({ ...object, from: fittedPlace(object.from, by), to: fittedPlace(object.to, by) }),
}
