import type { DrawingObject } from '../objects/object'
import { walk } from '../objects/tree'
import type { Point } from '../../geometry/point'
import { laidPlaces } from '../objects/laid-places'

/**
 * Whether a change keeps what was exact in a drawing: what lay on the step of the grid lies on it still, and what had a
 * named value has one still. Objects that were removed or added do not count.
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

/** Whether a coordinate lies on the step of a grid. */
export const isOnStep = (value: number, step: number): boolean =>
  Math.abs(value / step - Math.round(value / step)) < ON_GRID

/** Whether the places of an object that lay on the step do so still; of one with other nodes, whether all do that did. */
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
