import type { DrawingObject } from '../drawing/object'
import { same } from '../drawing/same'
import { find, mapObjects } from '../drawing/tree'

/** Something that was changed on two sides: by hand here, and where it was derived from. */
export type Conflict = {
  /** The object, by its id and name, and what of it, as its key in the file. */
  readonly object: string
  readonly name: string
  readonly key: string
  readonly mine: unknown
  readonly theirs: unknown
}

/** A drawing that was changed on two sides, what both of them are now seen from, and where they do not agree. */
export type Merged = {
  readonly objects: readonly DrawingObject[]
  readonly from: readonly DrawingObject[]
  readonly conflicts: readonly Conflict[]
}

type Objects = readonly DrawingObject[]
type Value = unknown
type Fields = Readonly<Record<string, Value>>

/**
 * What becomes of a drawing that was made from `from` by hand (`mine`), now that it is derived otherwise (`theirs`):
 * each number, name and object that only one side changed is as that side has it; where both did, the hand's stays, and
 * is a conflict until it is settled. Objects are known by their ids.
 */
export function merged(from: Objects, mine: Objects, theirs: Objects): Merged {
  const conflicts: Conflict[] = []
  const { objects, base } = mergedLists(from, mine, theirs, conflicts)
  return { objects, from: base, conflicts }
}

function mergedLists(
  from: Objects,
  mine: Objects,
  theirs: Objects,
  conflicts: Conflict[],
): { objects: Objects; base: Objects } {
  if (from === theirs) return { objects: mine, base: from }
  const before = byId(from),
    now = byId(theirs),
    own = byId(mine)
  const bases = new Map<string, DrawingObject>()
  const kept = mine.flatMap((object): DrawingObject[] => {
    const was = before.get(object.id),
      is = now.get(object.id)
    if (!was) return [object]
    if (!is) {
      if (same(was, object)) return []
      bases.set(object.id, was)
      conflicts.push({ object: object.id, name: object.name, key: 'gone', mine: object.name, theirs: null })
      return [object]
    }
    const one = mergedObject(was, object, is, conflicts)
    bases.set(object.id, one.base)
    return [one.object]
  })
  // What came new comes after what it follows there.
  theirs.forEach((object, i) => {
    if (before.has(object.id) || own.has(object.id)) return
    const after = theirs.slice(0, i).findLast(({ id }) => kept.some((one) => one.id === id))
    kept.splice(after ? kept.findIndex(({ id }) => id === after.id) + 1 : 0, 0, object)
  })
  const gone = from.filter(({ id }) => !now.has(id) && bases.has(id))
  return { objects: kept, base: [...theirs.map((object) => bases.get(object.id) ?? object), ...gone] }
}

function mergedObject(
  from: DrawingObject,
  mine: DrawingObject,
  theirs: DrawingObject,
  conflicts: Conflict[],
): { object: DrawingObject; base: DrawingObject } {
  const object: Record<string, Value> = {},
    base: Record<string, Value> = {}
  const [was, own, now] = [from, mine, theirs] as unknown as [Fields, Fields, Fields]
  if (from.kind !== mine.kind || from.kind !== theirs.kind) {
    if (same(from, theirs)) return { object: mine, base: theirs }
    if (same(from, mine)) return { object: theirs, base: theirs }
    conflicts.push({ object: mine.id, name: mine.name, key: 'kind', mine: mine.kind, theirs: theirs.kind })
    return { object: mine, base: from }
  }
  for (const key of new Set([...Object.keys(now), ...Object.keys(own), ...Object.keys(was)])) {
    if (key === 'members') {
      const lists = mergedLists(was[key] as Objects, own[key] as Objects, now[key] as Objects, conflicts)
      object[key] = lists.objects
      base[key] = lists.base
      continue
    }
    const one = mergedValue(was[key], own[key], now[key])
    if (one.isTorn) conflicts.push({ object: mine.id, name: mine.name, key, mine: own[key], theirs: now[key] })
    if (one.value !== undefined) object[key] = one.value
    if (one.base !== undefined) base[key] = one.base
  }
  return { object: object as unknown as DrawingObject, base: base as unknown as DrawingObject }
}

/** A value with what it is seen from after; torn where both sides changed it, down to single numbers of lists alike. */
function mergedValue(from: Value, mine: Value, theirs: Value): { value: Value; base: Value; isTorn: boolean } {
  if (same(from, mine) || same(mine, theirs)) return { value: theirs, base: theirs, isTorn: false }
  if (same(from, theirs)) return { value: mine, base: theirs, isTorn: false }
  if (isFields(from) && isFields(mine) && isFields(theirs)) {
    const value: Record<string, Value> = {},
      base: Record<string, Value> = {}
    let isTorn = false
    for (const key of new Set([...Object.keys(theirs), ...Object.keys(mine), ...Object.keys(from)])) {
      const one = mergedValue(from[key], mine[key], theirs[key])
      if (one.value !== undefined) value[key] = one.value
      if (one.base !== undefined) base[key] = one.base
      isTorn ||= one.isTorn
    }
    return { value, base, isTorn }
  }
  if (Array.isArray(from) && Array.isArray(mine) && Array.isArray(theirs)) {
    if (from.length === mine.length && mine.length === theirs.length) {
      const all = mine.map((one: Value, i) => mergedValue(from[i], one, theirs[i]))
      return {
        value: all.map(({ value }) => value),
        base: all.map(({ base }) => base),
        isTorn: all.some(({ isTorn }) => isTorn),
      }
    }
  }
  return { value: mine, base: from, isTorn: true }
}

const byId = (objects: Objects): Map<string, DrawingObject> => new Map(objects.map((object) => [object.id, object]))

const isFields = (value: Value): value is Fields => typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * A drawing with a conflict settled: what the hand made of it stays as it is, or is as it is derived. Objects as they
 * are, what they are seen from, and as they are derived now.
 */
export function settledConflict(
  { objects, from }: Pick<Merged, 'objects' | 'from'>,
  theirs: Objects,
  { object, key }: Pick<Conflict, 'object' | 'key'>,
  keep: 'mine' | 'theirs',
): { objects: Objects; from: Objects } {
  const derived = find(theirs, object)?.object
  if (!derived) {
    const without = (list: Objects) => mapObjects(list, (one) => (one.id === object ? null : one))
    return { objects: keep === 'theirs' ? without(objects) : objects, from: without(from) }
  }
  const taken = (one: DrawingObject): DrawingObject => {
    if (key === 'kind') return derived
    const { [key]: _, ...rest } = one as unknown as Record<string, Value>
    const value = (derived as unknown as Fields)[key]
    return { ...rest, ...(value !== undefined && { [key]: value }) } as unknown as DrawingObject
  }
  const withTaken = (list: Objects) => mapObjects(list, (one) => (one.id === object ? taken(one) : one))
  return {
    objects: keep === 'theirs' ? withTaken(objects) : objects,
    from: withTaken(from),
  }
}
