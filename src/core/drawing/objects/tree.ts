import { type Container, type DrawingObject, isContainer } from './object'

/** An object with the containers around it, outermost first. */
export type Located = { readonly object: DrawingObject; readonly parents: readonly Container[] }

/** Every object of a drawing, containers before their members, in paint order. */
export function* walk(objects: readonly DrawingObject[], parents: readonly Container[] = []): Generator<Located> {
  for (const object of objects) {
    yield { object, parents }
    if (isContainer(object)) yield* walk(object.members, [...parents, object])
  }
}

export function find(objects: readonly DrawingObject[], id: string): Located | null {
  for (const place of walk(objects)) if (place.object.id === id) return place
  return null
}

export function countObjects(objects: readonly DrawingObject[]): number {
  let count = 0
  for (const object of objects) count += 1 + (isContainer(object) ? countObjects(object.members) : 0)
  return count
}

/**
 * The drawing with each object replaced by what `change` makes of it; null removes it. Untouched branches stay
 * identical.
 */
export function mapObjects(
  objects: readonly DrawingObject[],
  change: (object: DrawingObject) => DrawingObject | null,
): DrawingObject[] {
  let same = true
  const next: DrawingObject[] = []
  for (const object of objects) {
    let changed = change(object)
    if (changed && isContainer(changed)) {
      const members = mapObjects(changed.members, change)
      // A container that lost its last member goes with it.
      if (members.length === 0) changed = null
      else if (members !== changed.members) changed = { ...changed, members }
    }
    if (changed !== object) same = false
    if (changed) next.push(changed)
  }
  return same ? (objects as DrawingObject[]) : next
}

/** The selected objects without those inside other selected ones. */
export function outermost(objects: readonly DrawingObject[], ids: ReadonlySet<string>): DrawingObject[] {
  const found: DrawingObject[] = []
  for (const object of objects) {
    if (ids.has(object.id)) found.push(object)
    else if (isContainer(object)) found.push(...outermost(object.members, ids))
  }
  return found
}

/** A copy with new ids all through, taken from `nextId`. */
export function withNewIds(object: DrawingObject, nextId: () => string): DrawingObject {
  const copy = { ...object, id: nextId() }
  return isContainer(copy) ? { ...copy, members: copy.members.map((member) => withNewIds(member, nextId)) } : copy
}
