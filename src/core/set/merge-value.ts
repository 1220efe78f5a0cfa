import { same } from '../drawing/model/same'

/**
 * A value that was changed on two sides: what becomes of it, what both sides are seen from afterwards, and whether both
 * changed it, each in its own way.
 */
export type MergedValue = { readonly value: unknown; readonly base: unknown; readonly isConflict: boolean }

type Fields = Readonly<Record<string, unknown>>

/** The keys by which the items of a list are known, the first that all of them have. */
const KEYS = ['id', 'name', 'base'] as const

/**
 * Three-way merge of a value: `from` is the merge base, `mine` and `theirs` are the two sides. Fields are merged one by
 * one, list items by id, name or base, words one by one, other lists of equal length by index. If both sides changed a
 * value, `mine` is taken and `base` keeps the old value, so that a later merge reports the conflict again; otherwise
 * `base` is `theirs`. `undefined` stands for a missing value.
 */
export function mergedValue(from: unknown, mine: unknown, theirs: unknown): MergedValue {
  if (same(from, mine) || same(mine, theirs)) return { value: theirs, base: theirs, isConflict: false }
  if (same(from, theirs)) return { value: mine, base: theirs, isConflict: false }
  if (isFields(from) && isFields(mine) && isFields(theirs)) return mergedFields(from, mine, theirs)
  if (Array.isArray(mine) && Array.isArray(theirs) && (from === undefined || Array.isArray(from))) {
    const lists = [(from ?? []) as unknown[], mine, theirs] as const
    const key = keyOf(lists)
    if (key) return mergedItems(...lists, key)
    if (lists[0].length === mine.length && mine.length === theirs.length) return mergedPlaces(...lists)
  }
  return { value: mine, base: from, isConflict: true }
}

/** Fields merged one by one, and the keys of those that both sides changed; `skip` names one that is merged elsewhere. */
export function mergedFields(
  from: Fields,
  mine: Fields,
  theirs: Fields,
  skip?: string,
): MergedValue & { readonly value: Fields; readonly base: Fields; readonly conflicting: readonly string[] } {
  const value: Record<string, unknown> = {},
    base: Record<string, unknown> = {}
  const conflicting: string[] = []
  for (const key of new Set([...Object.keys(theirs), ...Object.keys(mine), ...Object.keys(from)])) {
    if (key === skip) continue
    const one = mergedValue(from[key], mine[key], theirs[key])
    if (one.value !== undefined) value[key] = one.value
    if (one.base !== undefined) base[key] = one.base
    if (one.isConflict) conflicting.push(key)
  }
  return { value, base, conflicting, isConflict: conflicting.length > 0 }
}

function mergedPlaces(from: readonly unknown[], mine: readonly unknown[], theirs: readonly unknown[]): MergedValue {
  const all = mine.map((one, i) => mergedValue(from[i], one, theirs[i]))
  return {
    value: all.map(({ value }) => value),
    base: all.map(({ base }) => base),
    isConflict: all.some(({ isConflict }) => isConflict),
  }
}

type Key = (item: unknown) => string

/** The key by which the items of three lists can be matched; null where there is none. */
function keyOf(lists: readonly (readonly unknown[])[]): Key | null {
  const all = lists.flat()
  const keys: Key[] = [
    ...KEYS.map(
      (key): Key =>
        (item) =>
          String((item as Fields)[key]),
    ),
    String,
  ]
  const fits = (key: Key, i: number) =>
    all.every((item) =>
      i === KEYS.length ? typeof item === 'string' : isFields(item) && item[KEYS[i]!] !== undefined,
    ) && lists.every((list) => new Set(list.map(key)).size === list.length)
  return keys.find(fits) ?? null
}

function mergedItems(
  from: readonly unknown[],
  mine: readonly unknown[],
  theirs: readonly unknown[],
  key: Key,
): MergedValue {
  const [was, own, now] = [from, mine, theirs].map((list) => new Map(list.map((item) => [key(item), item]))) as [
    Map<string, unknown>,
    Map<string, unknown>,
    Map<string, unknown>,
  ]
  const values = new Map<string, unknown>(),
    bases = new Map<string, unknown>()
  let isConflict = false
  for (const id of new Set([...was.keys(), ...own.keys(), ...now.keys()])) {
    const one = mergedValue(was.get(id), own.get(id), now.get(id))
    // An item changed on one side and removed on the other stays.
    const isOut = one.isConflict && !(own.has(id) && now.has(id))
    const value = isOut ? (own.get(id) ?? now.get(id)) : one.value
    const base = isOut ? now.get(id) : one.base
    if (value !== undefined) values.set(id, value)
    if (base !== undefined) bases.set(id, base)
    isConflict ||= one.isConflict && !isOut
  }
  const orders = [[...was.keys()], [...own.keys()], [...now.keys()]] as const
  const bareBases = [...bases.keys()]
  return {
    value: mergedOrder(...orders, new Set(values.keys())).map((id) => values.get(id)),
    base: mergedOrder(orders[0], bareBases, orders[2], new Set(bareBases)).map((id) => bases.get(id)),
    isConflict,
  }
}

/**
 * Merged order of a list that both sides may have reordered: the own order, or the other one if nothing was moved here.
 * Items of the other side only follow their predecessor there.
 */
export function mergedOrder(
  from: readonly string[],
  mine: readonly string[],
  theirs: readonly string[],
  stays: ReadonlySet<string>,
): readonly string[] {
  if (mine.length === theirs.length && mine.every((id, i) => id === theirs[i]))
    return mine.filter((id) => stays.has(id))
  const [was, own, now] = [from, mine, theirs].map((list) => list.filter((id) => stays.has(id))) as [
    string[],
    string[],
    string[],
  ]
  const there = new Set(now),
    rank = new Map(was.map((id, i) => [id, i]))
  const ranks = own.flatMap((id) => (there.has(id) ? (rank.get(id) ?? []) : []))
  const isMoved = ranks.some((one, i) => i > 0 && one < ranks[i - 1]!)
  const [first, second] = isMoved ? [own, now] : [now, own]
  const order = [...first]
  const placed = new Set(first)
  for (const [i, id] of second.entries()) {
    if (placed.has(id)) continue
    const after = i > 0 ? order.indexOf(second[i - 1]!) : -1
    order.splice(after + 1, 0, id)
    placed.add(id)
  }
  return order
}

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
