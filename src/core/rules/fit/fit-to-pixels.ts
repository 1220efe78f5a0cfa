import { inkOfAll } from '../../drawing/scene/ink'
import { keepsExactness } from '../../drawing/edit/exactness'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import type { DrawingObject } from '../../drawing/objects/object'
import type { Rules } from '../rules'
import { fitted } from './fit'
import { fitLossesOf, originalOf } from './fit-losses'

/**
 * A drawing with its edges brought to the pixels of its own grid. An object that this would take off the step of the grid
 * stays where it is. Returns the same list if no edge can be brought, or if the picture would come apart.
 */
export function fittedToPixels(objects: readonly DrawingObject[], rules: Rules): readonly DrawingObject[] {
  const { objects: fit } = fitted(objects, rules, rules)
  const next = objects.map((was, i) => {
    const is = fit[i]!
    return JSON.stringify(is) !== JSON.stringify(was) && keepsExactness([was], [is], rules.grid.step) ? is : was
  })
  if (next.every((one, i) => one === objects[i])) return objects
  const ink = (list: readonly DrawingObject[]) => inkOfAll(evaluateAll(list, sceneOf(rules)))
  const was = ink(objects)
  return fitLossesOf(originalOf(was, was, 1), ink(next)).every(({ what }) => what === 'moved') ? next : objects
}
