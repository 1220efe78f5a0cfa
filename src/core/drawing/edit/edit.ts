import { type Container, type DrawingObject, isCombining, isContainer, type Role } from '../objects/object'
import { find, mapObjects, outermost } from '../objects/tree'

/** A container still without members. */
export type EmptyContainer = Container extends infer C ? (C extends Container ? Omit<C, 'members'> : never) : never

/**
 * A change of a drawing, as plain data. Indexes count within the container named by `into`, or the drawing itself
 * (null).
 */
export type DrawingEdit =
  | {
      readonly kind: 'add'
      readonly objects: readonly DrawingObject[]
      readonly into: string | null
      readonly at: number
    }
  | { readonly kind: 'remove'; readonly ids: readonly string[] }
  | { readonly kind: 'replace'; readonly objects: readonly DrawingObject[] }
  | { readonly kind: 'arrange'; readonly ids: readonly string[]; readonly into: string | null; readonly at: number }
  | {
      readonly kind: 'gather'
      readonly ids: readonly string[]
      readonly container: EmptyContainer
      readonly roles?: readonly Role[]
    }
  /** Several edits, one after the other, as one. */
  | { readonly kind: 'all'; readonly edits: readonly DrawingEdit[] }
  | { readonly kind: 'merge'; readonly into: DrawingObject; readonly gone: readonly string[] }
  /** A container gives way to its members, or to other objects. */
  | { readonly kind: 'loosen'; readonly id: string; readonly objects?: readonly DrawingObject[] }

/** The drawing after an edit; the drawing itself when the edit names nothing in it. */
export function applyDrawingEdit(objects: readonly DrawingObject[], edit: DrawingEdit): DrawingObject[] {
  switch (edit.kind) {
    case 'add':
      return insert(objects, edit.objects, edit.into, edit.at)
    case 'remove': {
      const gone = new Set(edit.ids)
      return mapObjects(objects, (object) => (gone.has(object.id) ? null : object))
    }
    case 'replace': {
      const next = new Map(edit.objects.map((object) => [object.id, object]))
      return mapObjects(objects, (object) => next.get(object.id) ?? object)
    }
    case 'arrange': {
      const ids = new Set(edit.ids)
      const moved = outermost(objects, ids)
      if (moved.length === 0 || moved.some((object) => holds(object, edit.into))) return objects as DrawingObject[]
      const siblings = membersOf(objects, edit.into)
      const before = siblings.slice(0, edit.at).filter(({ id }) => ids.has(id)).length
      const rest = mapObjects(objects, (object) => (ids.has(object.id) ? null : object))
      // The container may have gone with its last member; then there is nothing to arrange within.
      if (edit.into !== null && !find(rest, edit.into)) return objects as DrawingObject[]
      return insert(rest, moved, edit.into, edit.at - before)
    }
    case 'gather': {
      const members = outermost(objects, new Set(edit.ids)).map((object, i) => {
        const role = edit.roles?.[i]
        return role ? { ...object, role } : object
      })
      const top = members[members.length - 1]
      if (!top) return objects as DrawingObject[]
      const others = new Set(members.map(({ id }) => id).filter((id) => id !== top.id))
      const container = { ...edit.container, members } as DrawingObject
      // The container takes the place of its topmost member.
      return splice(
        mapObjects(objects, (object) => (others.has(object.id) ? null : object)),
        top.id,
        [container],
      )
    }
    case 'all':
      return edit.edits.reduce<DrawingObject[]>(applyDrawingEdit, objects as DrawingObject[])
    case 'merge': {
      const gone = new Set(edit.gone)
      return mapObjects(objects, (object) =>
        object.id === edit.into.id ? edit.into : gone.has(object.id) ? null : object,
      )
    }
    case 'loosen': {
      const place = find(objects, edit.id)
      const pieces = edit.objects ?? (place && isContainer(place.object) ? place.object.members : null)
      if (!place || !pieces) return objects as DrawingObject[]
      const inAssembly = isCombining(place.parents.at(-1))
      return splice(objects, edit.id, inAssembly ? pieces : pieces.map(withoutRole))
    }
  }
}

/** The members of a container, or the drawing's own objects for null; none when there is no such container. */
export function membersOf(objects: readonly DrawingObject[], id: string | null): readonly DrawingObject[] {
  if (id === null) return objects
  const object = find(objects, id)?.object
  return object && isContainer(object) ? object.members : []
}

const holds = (object: DrawingObject, id: string | null): boolean => id !== null && find([object], id) !== null

function insert(
  objects: readonly DrawingObject[],
  added: readonly DrawingObject[],
  into: string | null,
  at: number,
): DrawingObject[] {
  if (into === null) return [...objects.slice(0, at), ...added, ...objects.slice(at)]
  return mapObjects(objects, (object) =>
    object.id === into && isContainer(object)
      ? { ...object, members: insert(object.members, added, null, at) }
      : object,
  )
}

/** One object exchanged for others, wherever it is. */
function splice(objects: readonly DrawingObject[], id: string, others: readonly DrawingObject[]): DrawingObject[] {
  return objects.flatMap((object) => {
    if (object.id === id) return others
    return isContainer(object) && find(object.members, id)
      ? [{ ...object, members: splice(object.members, id, others) }]
      : [object]
  })
}

function withoutRole(object: DrawingObject): DrawingObject {
  const copy = { ...object }
  delete copy.role
  return copy
}
