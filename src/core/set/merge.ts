import { type DrawingObject, isContainer } from '../drawing/objects/object'
import { same } from '../drawing/model/same'
import { mergedFields, mergedOrder } from './merge-value'
import { climbed, type Entries, entriesOf, type Entry, grown, sequence } from './object-tree'

/** A value that was changed both here and elsewhere (in another window, or in the master it is derived from). */
export type Conflict = {
  /** Id and name of the object, and the key of the value in the file; `gone` if the other side removed the object. */
  readonly object: string
  readonly name: string
  readonly key: string
  readonly mine: unknown
  readonly theirs: unknown
}

/** A merged drawing, the base for the next merge, and the conflicts. */
export type Merged = {
  readonly objects: readonly DrawingObject[]
  readonly from: readonly DrawingObject[]
  readonly conflicts: readonly Conflict[]
}

type Objects = readonly DrawingObject[]

/** What becomes of an object that was taken out here and changed there. */
export type Removed = 'stays out' | 'comes back'

/**
 * Merges a drawing `from` that was changed here to `mine` and elsewhere to `theirs`. A number, name, object or place in
 * the tree that only one side changed is taken from that side. Where both changed it, `mine` is kept and is a conflict
 * until it is settled. Objects are matched by id wherever they are in the tree: one that was changed here and grouped
 * there is changed inside the group. No id occurs twice, and `mergedObjects(a, a, b)` is `b`.
 */
export function mergedObjects(from: Objects, mine: Objects, theirs: Objects, removed: Removed = 'stays out'): Merged {
  if (from === theirs || mine === theirs) return { objects: mine, from: theirs, conflicts: [] }
  if (from === mine) return { objects: theirs, from: theirs, conflicts: [] }
  const [was, own, now] = [entriesOf(from), entriesOf(mine), entriesOf(theirs)]
  const conflicts: Conflict[] = []
  const kept = new Map<string, Entry>(),
    bases = new Map<string, Entry>(now)
  for (const [id, { object, parent }] of own) {
    const before = was.get(id),
      there = now.get(id)
    if (there) {
      const one = mergedObject((before ?? there).object, object, there.object, conflicts)
      const home = before && before.parent === parent ? there.parent : parent
      kept.set(id, { object: one.object, parent: home })
      bases.set(id, { object: one.base, parent: there.parent })
    } else if (!before) kept.set(id, { object, parent })
  }
  const gone = changedButGone(was, own, now)
  for (const id of gone) {
    const { object, parent } = own.get(id)!
    kept.set(id, { object, parent })
    bases.set(id, was.get(id)!)
    if (!gone.has(parent ?? ''))
      conflicts.push({ object: id, name: object.name, key: 'gone', mine: object.name, theirs: null })
  }
  const back = removed === 'comes back' ? changedButGone(was, now, own) : new Set<string>()
  for (const [id, entry] of now) {
    if (own.has(id)) continue
    if (back.has(id) || (!was.has(id) && !isInRemoved(id, was, own, now))) kept.set(id, entry)
  }
  const order = (parent: string | null, homes: Entries) =>
    mergedOrder(
      sequence(was, homes, parent),
      sequence(own, homes, parent, now),
      sequence(now, homes, parent, own),
      new Set([...homes].flatMap(([id, one]) => (one.parent === parent ? id : []))),
    )
  const homes = climbed(kept, own, now)
  const base = climbed(bases, now, was)
  return {
    objects: grown(homes, (parent) => order(parent, homes), [own, now]),
    from: grown(
      base,
      (parent) => mergedOrder([], sequence(now, base, parent), sequence(was, base, parent, now), new Set(base.keys())),
      [now, was],
    ),
    conflicts,
  }
}

/**
 * The objects that one side took out and the other changed since, or gave something that is not there either; with them
 * the containers that hold nothing else any more.
 */
function changedButGone(was: Entries, changed: Entries, without: Entries): Set<string> {
  const gone = new Set<string>()
  for (const [id, { object, parent }] of changed) {
    const before = was.get(id)
    if (without.has(id)) continue
    if (before && same(bare(before.object), bare(object))) continue
    if (before) gone.add(id)
    // What holds it goes on to do so, unless its other members live on elsewhere.
    for (let at = parent; at !== null && was.has(at) && !without.has(at); at = changed.get(at)?.parent ?? null) {
      if (hasSurvivor(at, changed, without)) break
      gone.add(at)
    }
  }
  return gone
}

const hasSurvivor = (container: string, changed: Entries, without: Entries): boolean =>
  [...changed].some(([id, { parent }]) => parent === container && without.has(id))

/** Whether the other side added something to a container that was removed here. */
function isInRemoved(id: string, was: Entries, own: Entries, now: Entries): boolean {
  for (let at = now.get(id)!.parent; at !== null; at = now.get(at)?.parent ?? null)
    if (was.has(at) && !own.has(at) && !hasSurvivor(at, was, own)) return true
  return false
}

const bare = (object: DrawingObject): object => (isContainer(object) ? { ...object, members: [] } : object)

/** Merges one object without its members, which are merged separately. */
function mergedObject(
  from: DrawingObject,
  mine: DrawingObject,
  theirs: DrawingObject,
  conflicts: Conflict[],
): { object: DrawingObject; base: DrawingObject } {
  if (from.kind !== mine.kind || from.kind !== theirs.kind) {
    if (same(bare(from), bare(mine))) return { object: theirs, base: theirs }
    if (same(bare(from), bare(theirs)) || same(bare(mine), bare(theirs))) return { object: mine, base: theirs }
    conflicts.push({ object: mine.id, name: mine.name, key: 'kind', mine: mine.kind, theirs: theirs.kind })
    return { object: mine, base: from }
  }
  const [was, own, now] = [from, mine, theirs] as unknown as Record<string, unknown>[]
  const { value, base, conflicting } = mergedFields(was!, own!, now!, 'members')
  for (const key of conflicting)
    conflicts.push({ object: mine.id, name: mine.name, key, mine: own![key], theirs: now![key] })
  return {
    object: { ...(value as object), ...membersOf(mine) } as DrawingObject,
    base: { ...(base as object), ...membersOf(theirs) } as DrawingObject,
  }
}

const membersOf = (object: DrawingObject): object => (isContainer(object) ? { members: object.members } : {})
