import { fittedPlace } from '../../model/fitting'
import type { Mirror } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Mirror> = {
  mirror(object) {
    if (!isPlumb(object)) return null
    const axis = object.angle % 180 === 0 ? 'y' : 'x'
    return { axis, at: object.at[axis] }
  },
  middle: ({ at }) => at,
  fit: (object, to) => (isPlumb(object) ? { ...object, at: fittedPlace(object.at, to) } : null),
}

/** Whether its only images are flipped across a level or plumb line. */
const isPlumb = ({ folds, flip, angle }: Pick<Mirror, 'folds' | 'flip' | 'angle'>): boolean =>
  flip && folds === 1 && angle % 90 === 0
