import type { DrawingObject } from '@/core/drawing/objects/object'
import { find, walk } from '@/core/drawing/objects/tree'

/** The ids of the objects that are locked, or lie in something that is. */
export function lockedWithin(objects: readonly DrawingObject[]): Set<string> {
  const locked = new Set<string>()
  for (const { object, parents } of walk(objects))
    if (object.locked || parents.some((parent) => parent.locked)) locked.add(object.id)
  return locked
}

/** True when an object, or a container around it, is locked. */
export function isLocked(objects: readonly DrawingObject[], id: string): boolean {
  const place = find(objects, id)
  return place !== null && [place.object, ...place.parents].some(({ locked }) => locked === true)
}
