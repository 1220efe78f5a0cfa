import { type DrawingObject, isContainer, kindOf } from './object'
import type { Scene } from '../scene/scene'

/**
 * After a flip, recomputes the signatures of an object and all its members from stored positions. Throws a `Refusal`.
 */
export function withSignatures<T extends DrawingObject>(object: T, scene: Scene): T
export function withSignatures(object: DrawingObject, scene: Scene): DrawingObject {
  const own = kindOf(object).geometry.withSignatures?.(object, scene) ?? object
  if (!isContainer(own)) return own
  const members = own.members.map((member) => withSignatures(member, scene))
  return members.every((member, i) => member === own.members[i]) ? own : { ...own, members }
}
