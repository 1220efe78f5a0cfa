import type { Point } from '../../geometry/point'
import type { Grip, GripPull, Pulled } from '../scene/grip'
import { type DrawingObject, kindOf } from '../objects/object'
import type { Scene } from '../scene/scene'

/** The grips of an object. `least` (grid units) keeps those of sharp corners off the corners themselves. */
export const gripsOf = (object: DrawingObject, scene: Scene, least: number): Grip[] =>
  kindOf(object).grips.places?.(object, scene, least) ?? []

/** The object with one of its grips pulled to a point. */
export const pullGrip = (
  object: DrawingObject,
  id: string,
  to: Point,
  scene: Scene,
  pull: GripPull,
): Pulled<DrawingObject> => kindOf(object).grips.pull?.(object, id, to, scene, pull) ?? { object, figure: '' }
