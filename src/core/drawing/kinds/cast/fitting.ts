import { tidy } from '../../../geometry/tidy'
import { fittedPlace } from '../../model/fitting'
import { movedPlacing } from '../placement/placed'
import type { Cast } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Cast> = {
  fit: (object, { scale, x, y }) => ({
    ...object,
    length: tidy(object.length * scale),
    ...(object.cut && {
      cut: { ...movedPlacing(object.cut, [scale, 0, 0, scale, 0, 0]), at: fittedPlace(object.cut.at, { scale, x, y }) },
    }),
  }),
}
