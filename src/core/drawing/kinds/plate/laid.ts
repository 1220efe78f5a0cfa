import { type Path, transformPath } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { type Plate, platePath } from '../../model/plates'
import { mapOf } from '../placement/placed'

/** The outline of a plate where it is laid. */
export const laidPlate = (
  plate: Plate,
  placing: { readonly at: Point; readonly map?: readonly number[] | undefined },
): Path =>
  placing.map ? transformPath(platePath(plate, { x: 0, y: 0 }), mapOf(placing)) : platePath(plate, placing.at)
