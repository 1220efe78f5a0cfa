import { type DrawingObject, isContainer, kindOf } from './object'
import type { Scene } from '../evaluate/scene'

/**
 * After a flip, recomputes the signatures of an object and all its members from stored positions. Throws a `Refusal`.
 */
export function remarked<T extends DrawingObject>(object: T, scene: Scene): T
export function remarked(object: DrawingObject, scene: Scene): DrawingObject {
  const own = kindOf(object).remarked?.(object, scene) ?? object
  if (!isContainer(own)) return own
  const members = own.members.map((member) => remarked(member, scene))
  return members.every((member, i) => member === own.members[i]) ? own : { ...own, members }
}
