import { distance } from '../../geometry/point'
import type { DrawingObject } from './object'

/** The longest that a dot is, as a share of its weight: drawings write dots as lines of no length, or of a hundredth. */
const LONGEST = 0.1

/** Whether an object is a stroke so short that only its caps are seen; `weight` in units. */
export function isDot(object: DrawingObject, weight: number): boolean {
  const places =
    object.kind === 'line'
      ? [object.from, object.to]
      : object.kind === 'path' && object.contours.every(({ closed }) => !closed)
        ? object.contours.length === 1 && object.contours[0]!.nodes
        : false
  if (!places) return false
  const [first, ...others] = places
  return others.every((one) => distance(first!, one) <= LONGEST * weight && !('arc' in one && one.arc))
}
