import type { DrawingObject } from '../drawing/objects/object'
import { isContainer } from '../drawing/objects/object'
import { find, mapObjects } from '../drawing/objects/tree'
import type { Conflict, Merged } from './merge'
import { entriesOf } from './object-tree'

type Objects = readonly DrawingObject[]

/**
 * Resolves a conflict of a drawing with the own value or with that of the other side. Parameters: ours, merge base,
 * theirs.
 */
export function settledConflict(
  { objects, from }: Pick<Merged, 'objects' | 'from'>,
  theirs: Objects,
  { object, key }: Pick<Conflict, 'object' | 'key'>,
  keep: 'mine' | 'theirs',
): { objects: Objects; from: Objects } {
  const other = find(theirs, object)?.object
  if (!other) {
    const known = entriesOf(from)
    return {
      objects: keep === 'theirs' ? without(objects, object, (id) => !known.has(id)) : objects,
      from: without(from, object, () => false),
    }
  }
  const taken = (one: DrawingObject): DrawingObject => {
    if (key === 'kind') return other
    const { [key]: _, ...rest } = one as unknown as Record<string, unknown>
    const value = (other as unknown as Record<string, unknown>)[key]
    return { ...rest, ...(value !== undefined && { [key]: value }) } as unknown as DrawingObject
  }
  const withTaken = (list: Objects) => mapObjects(list, (one) => (one.id === object ? taken(one) : one))
  return {
    objects: keep === 'theirs' ? withTaken(objects) : objects,
    from: withTaken(from),
  }
}

/** A drawing without an object; those in it that stay take its place. */
function without(objects: Objects, id: string, stays: (id: string) => boolean): Objects {
  const staying = (object: DrawingObject): DrawingObject[] =>
    stays(object.id) ? [object] : isContainer(object) ? object.members.flatMap(staying) : []
  const cut = (list: Objects): DrawingObject[] =>
    list.flatMap((one): DrawingObject[] => {
      if (one.id === id) return staying(one)
      if (!isContainer(one)) return [one]
      const members = cut(one.members)
      return members.length > 0 ? [{ ...one, members }] : []
    })
  return cut(objects)
}
