import { fittedRepeat } from './fitted-repeat'
import { type Repeat } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Repeat> = {
  fit: fittedRepeat,
  middle: ({ course }) => (course.by === 'turn' ? course.at : null),
}
