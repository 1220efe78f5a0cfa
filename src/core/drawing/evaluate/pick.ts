import { nearestOnPath } from '../../geometry/nearest'
import type { Path } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { winding } from '../../geometry/winding'
import { evaluate, outline, solid } from './evaluate'
import { type DrawingObject, isCombining, isContainer } from '../objects/object'
import type { Scene } from '../scene/scene'
import type { Shape } from '../scene/shape'

/**
 * Something under the pointer: an object, or with `depth` > 0 a member of one. Locked things are listed, never picked.
 */
type Hit = { readonly object: DrawingObject; readonly depth: number; readonly locked: boolean }

/**
 * Everything under a point, topmost first, members after their container. `reach` is how near a line counts as hit. The
 * objects may be the members of a container; those of an assembly count by their outlines, having no paint of their
 * own.
 */
export function hits(
  objects: readonly DrawingObject[],
  scene: Scene,
  p: Point,
  reach: number,
  inAssembly = false,
): Hit[] {
  const within = (siblings: readonly DrawingObject[], depth: number, locked: boolean, inAssembly: boolean): Hit[] =>
    siblings.toReversed().flatMap((object): Hit[] => {
      if (object.hidden) return []
      const hit: Hit = { object, depth, locked: locked || object.locked === true }
      const members = isContainer(object) ? within(object.members, depth + 1, hit.locked, isCombining(object)) : []
      const isHit = inAssembly ? covers(solid(object, scene), p, reach) : paints(object, scene, p, reach)
      return isHit ? [hit, ...members] : members
    })
  return within(objects, 0, false, inAssembly)
}

/** The topmost of the objects under a point that is not locked; of a container, the container. */
export function pick(
  objects: readonly DrawingObject[],
  scene: Scene,
  p: Point,
  reach: number,
  inAssembly = false,
): DrawingObject | null {
  return hits(objects, scene, p, reach, inAssembly).find(({ depth, locked }) => depth === 0 && !locked)?.object ?? null
}

/** True when a point lies within an object's outline or near it, painted or not. */
export const isOver = (object: DrawingObject, scene: Scene, p: Point, reach: number): boolean =>
  covers(outline(object, scene), p, reach)

const isNear = (path: Path, p: Point, reach: number): boolean => (nearestOnPath(path, p)?.distance ?? Infinity) <= reach

function covers(path: Path, p: Point, reach: number): boolean {
  return winding(path, p) !== 0 || isNear(path, p, reach)
}

function paints(object: DrawingObject, scene: Scene, p: Point, reach: number): boolean {
  return evaluate(object, scene).some((shape) => isPainted(shape, p, reach))
}

/** Whether a shape is painted at a point or near it, and no mask over it hides it there. */
function isPainted({ path, fill, stroke, effect }: Shape, p: Point, reach: number): boolean {
  const covered =
    (fill !== null && winding(path, p) !== 0) || isNear(path, p, Math.max(reach, stroke ? stroke.width / 2 : 0))
  if (!covered) return false
  for (let one = effect ?? null; one; one = one.outer)
    if (one.mask && !one.mask.some((shape) => isPainted(shape, p, reach))) return false
  return true
}
