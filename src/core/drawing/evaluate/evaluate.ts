import type { Path } from '../../geometry/path'
import { costOf, costOfAll, isExcessive, type Within, refuseExcess } from './cost'
import type { DrawingObject } from '../objects/object'
import { Refusal } from '../../findings/refusal'
import type { Scene } from '../scene/scene'
import type { Shape } from '../scene/shape'

/**
 * The shapes of an object, in paint order; none for hidden objects and for those that cannot be drawn (see
 * `refusalIn`). Memoised by the values they depend on.
 */
export const evaluate = (object: DrawingObject, scene: Scene): readonly Shape[] => orNothing(() => scene.shapes(object))

/**
 * An object's geometry without its paint: its outline, or that of its combined members; empty where it cannot be
 * computed.
 */
export const outline = (object: DrawingObject, scene: Scene): Path => orNothing(() => scene.edge(object))

/** The area that an object paints, strokes included; nothing where that cannot be computed. */
export const ink = (object: DrawingObject, scene: Scene): Path => orNothing(() => scene.ink(object))

/** What an object stands for where it is combined with others; nothing where that cannot be computed. */
export const solid = (object: DrawingObject, scene: Scene): Path => orNothing(() => scene.solid(object))

/** The shapes of those objects of a drawing that can be drawn. */
export function evaluateAll(objects: readonly DrawingObject[], scene: Scene): Shape[] {
  return objects.flatMap((object) => evaluate(object, scene))
}

/**
 * The shapes of a whole drawing. Throws a `Refusal` if an object cannot be drawn or the drawing exceeds the limits: an
 * incomplete picture is never made.
 */
export function wholeDrawing(objects: readonly DrawingObject[], scene: Scene): Shape[] {
  for (const object of objects) refuseExcess(`“${object.name}”`, costOf(object, scene.values))
  refuseExcess('The drawing', costOfAll(objects, scene.values))
  return objects.flatMap((object) => scene.shapes(object))
}

/**
 * The refusal of a drawing that exceeds the limits as a whole, although no object does; null otherwise. Computes no
 * geometry.
 */
export function excessIn(objects: readonly DrawingObject[], within: Within): Refusal | null {
  try {
    refuseExcess(
      'The drawing',
      costOfAll(
        objects.filter((object) => !isExcessive(costOf(object, within))),
        within,
      ),
    )
    return null
  } catch (error) {
    return error as Refusal
  }
}

/** Why an object cannot be drawn; null when it can. */
export function refusalIn(object: DrawingObject, scene: Scene): Refusal | null {
  try {
    scene.shapes(object)
    return null
  } catch (error) {
    if (error instanceof Refusal) return error
    throw error
  }
}

function orNothing<T>(compute: () => readonly T[]): readonly T[] {
  try {
    return compute()
  } catch (error) {
    if (error instanceof Refusal) return []
    throw error
  }
}
