import type { DrawingObject } from '../objects/object'
import { walk } from '../objects/tree'
import type { Point } from '../../geometry/point'
import { laidPlaces } from '../objects/laid-places'

/**
 * Returns true if a change keeps the drawing exact: places on the grid's step stay on it, and named values stay named.
 * Removed and added objects are ignored.
 */
export function keepsExactness(
  before: readonly DrawingObject[],
  after: readonly DrawingObject[],
  step: number,
): boolean {
  const now = new Map([...walk(after)].map(({ object }) => [object.id, object]))
  return [...walk(before)].every(({ object: was }) => {
    const is = now.get(was.id)
    return !is || is === was || (staysOnStep(was, is, step) && keepsNames(was, is))
  })
}

/** Tolerance of grid positions, in steps: that of a number typed with three digits. */
export const ON_GRID = 2e-3

/** Returns true if a coordinate is a multiple of the step. */
export const isOnStep = (value: number, step: number): boolean =>
  Math.abs(value / step - Math.round(value / step)) < ON_GRID

/** Compares places one by one; if the number of nodes changed, requires all on the step where all were before. */
function staysOnStep(was: DrawingObject, is: DrawingObject, step: number): boolean {
  const before = laidPlaces(was),
    after = laidPlaces(is)
  return (['x', 'y'] as const).every((axis) => {
    const on = (place: Point) => isOnStep(place[axis], step)
    return before.length === after.length
      ? before.every((place, i) => !on(place) || on(after[i]!))
      : !before.every(on) || after.every(on)
  })
}

/** The properties whose values the rules may name. */
const NAMED = ['weight', 'corner', 'fill', 'stroke'] as const

const valuesOf = (object: DrawingObject): Readonly<Record<string, unknown>> => ({
  ...object,
  ...('style' in object && object.style),
})

function keepsNames(was: DrawingObject, is: DrawingObject): boolean {
  const before = valuesOf(was),
    after = valuesOf(is)
  return NAMED.every((key) => typeof before[key] !== 'string' || !(key in after) || typeof after[key] === 'string')
}
