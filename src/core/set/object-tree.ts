import { type DrawingObject, isContainer } from '../drawing/objects/object'
import { same } from '../drawing/model/same'
import { walk } from '../drawing/objects/tree'

/** An object of a drawing and the id of what holds it, null where nothing does. */
export type Entry = { readonly object: DrawingObject; readonly parent: string | null }

/** A drawing as a flat list: objects by id, containers before their members, in paint order. */
export type Entries = ReadonlyMap<string, Entry>

export const entriesOf = (objects: readonly DrawingObject[]): Map<string, Entry> =>
  new Map([...walk(objects)].map(({ object, parents }) => [object.id, { object, parent: parents.at(-1)?.id ?? null }]))

/**
 * Entries of which each is in a container that is among them: where one is not, the entry goes to what held that, as
 * one of the drawings that they come from says. What two moves put into each other goes to the top.
 */
export function climbed(entries: Entries, ...drawings: readonly Entries[]): Map<string, Entry> {
  const above = (id: string): string | null => drawings.find((one) => one.has(id))?.get(id)!.parent ?? null
  const home = (id: string | null): string | null => {
    const seen = new Set<string>()
    let at = id
    while (at !== null && !(entries.has(at) && isContainer(entries.get(at)!.object)) && !seen.has(at)) {
      seen.add(at)
      at = above(at)
    }
    return at !== null && seen.has(at) ? null : at
  }
  const parents = new Map([...entries].map(([id, { parent }]) => [id, home(parent)]))
  for (const id of parents.keys()) {
    const seen = new Set([id])
    for (let at = parents.get(id) ?? null; at !== null; at = parents.get(at) ?? null) {
      if (seen.has(at)) {
        parents.set(at, null)
        break
      }
      seen.add(at)
    }
  }
  return new Map([...entries].map(([id, { object }]) => [id, { object, parent: parents.get(id)! }]))
}

/**
 * The ids that a drawing has among entries with a certain parent, in its paint order; without those that only the
 * `other` drawing has there.
 */
export function sequence(drawing: Entries, entries: Entries, parent: string | null, other?: Entries): string[] {
  return [...drawing].flatMap(([id, entry]) => {
    if (entries.get(id)?.parent !== parent) return []
    return entry.parent === parent || other?.get(id)?.parent !== parent ? id : []
  })
}

/**
 * Builds a drawing from entries, with the given order of members in each container. Reuses objects that equal those of
 * a source drawing; omits containers without members.
 */
export function grown(
  entries: Entries,
  order: (parent: string | null) => readonly string[],
  drawings: readonly Entries[],
): readonly DrawingObject[] {
  const holders = new Set([...entries.values()].map(({ parent }) => parent))
  const grow = (id: string): DrawingObject[] => {
    const { object } = entries.get(id)!
    const known = (next: DrawingObject) =>
      drawings.map((one) => one.get(id)?.object).find((one) => one !== undefined && isAlike(one, next)) ?? next
    if (!isContainer(object)) return [known(object)]
    const members = holders.has(id) ? order(id).flatMap(grow) : []
    return members.length > 0 ? [known({ ...object, members })] : []
  }
  return order(null).flatMap(grow)
}

/** Whether two objects say the same, and hold the same objects. */
function isAlike(a: DrawingObject, b: DrawingObject): boolean {
  if (a === b) return true
  if (!isContainer(a) || !isContainer(b)) return same(a, b)
  return (
    a.members.length === b.members.length &&
    a.members.every((member, i) => member === b.members[i]) &&
    same({ ...a, members: [] }, { ...b, members: [] })
  )
}
