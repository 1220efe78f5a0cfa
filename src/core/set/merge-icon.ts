import type { DrawingObject } from '../drawing/objects/object'
import { same } from '../drawing/model/same'
import { mergedObjects } from './merge'
import { type MergedValue, mergedOrder, mergedValue } from './merge-value'
import { alternativesOf, acceptedIn, type Icon, type Master, titleOf } from './set'

/** A part of a set that is saved, and merged, by itself. */
export type PartKey = 'name' | 'rules' | 'delivery' | 'order' | `icon ${string}`
export const iconPart = (id: string): PartKey => `icon ${id}`

/**
 * Something that was changed on two sides of a set: the part it belongs to, the grid of the drawing, the object and the
 * key it has in the file; null where there is none. `key` is `gone` for an object that was taken out there, `all` for a
 * whole part.
 */
export type SetConflict = {
  readonly part: PartKey
  readonly master: number | null
  readonly object: string | null
  /** Name of the object or icon in conflict. */
  readonly name: string
  readonly key: string
  readonly mine: unknown
  readonly theirs: unknown
}

/** A merged part of a set, the base for the next merge, and the conflicts. */
type MergedPart<T> = { readonly value: T; readonly base: T; readonly conflicts: readonly SetConflict[] }

type Objects = readonly DrawingObject[]

/**
 * Merges an icon that was changed here and elsewhere. Drawings of the same grid and title are merged object by object. An
 * object that one side changed and the other removed is kept.
 */
export function mergedIcon(from: Icon, mine: Icon, theirs: Icon): MergedPart<Icon> {
  if (same(from, mine) || same(mine, theirs)) return { value: theirs, base: theirs, conflicts: [] }
  if (same(from, theirs)) return { value: mine, base: theirs, conflicts: [] }
  const conflicts: SetConflict[] = []
  const note = (key: string, master: number | null, mine: unknown, theirs: unknown) =>
    conflicts.push({ part: iconPart(from.id), master, object: null, name: from.name, key, mine, theirs })
  const value: Record<string, unknown> = { id: mine.id },
    base: Record<string, unknown> = { id: mine.id }
  for (const key of ['name', 'tags', 'aliases', 'rtl'] as const) {
    const one = mergedValue(from[key], mine[key], theirs[key])
    if (one.isConflict) note(key, null, mine[key], theirs[key])
    put(value, key, one.value)
    put(base, key, one.base)
  }
  const [was, own, now] = [byBase(from), byBase(mine), byBase(theirs)]
  const values: Master[] = [],
    bases: Master[] = []
  const grids = mergedOrder(
    [...was.keys()],
    [...own.keys()],
    [...now.keys()],
    new Set([...was.keys(), ...own.keys(), ...now.keys()]),
  )
  for (const grid of grids) {
    const [f, m, t] = [was.get(grid), own.get(grid), now.get(grid)]
    if (m && t) {
      const one = mergedMaster(f, m, t)
      values.push(one.value)
      bases.push(one.base)
      conflicts.push(
        ...one.conflicts.map((conflict) => ({
          ...conflict,
          part: iconPart(from.id),
          name: conflict.name || from.name,
        })),
      )
      continue
    }
    const stays = m ? !f || !same(f, m) : t && (!f || !same(f, t))
    if (stays) values.push((m ?? t)!)
    if (t) bases.push(t)
  }
  return { value: { ...value, masters: values } as Icon, base: { ...base, masters: bases } as Icon, conflicts }
}

const byBase = ({ masters }: Icon): ReadonlyMap<string, Master> =>
  new Map(masters.map((master) => [String(master.base), master]))

function put(record: Record<string, unknown>, key: string, value: unknown): void {
  if (value !== undefined) record[key] = value
}

function mergedMaster(from: Master | undefined, mine: Master, theirs: Master): MergedPart<Master> {
  if (same(mine, theirs)) return { value: mine, base: theirs, conflicts: [] }
  // Both were derived from the same drawing, where neither was kept before.
  const was: Master = from ?? { base: mine.base, objects: mine.from ?? theirs.from ?? [] }
  if (same(was, mine)) return { value: theirs, base: theirs, conflicts: [] }
  const conflicts: SetConflict[] = []
  const note = (conflict: Omit<SetConflict, 'part' | 'master'>) =>
    conflicts.push({ part: 'order', master: mine.base, ...conflict })
  const value: Record<string, unknown> = { base: mine.base },
    base: Record<string, unknown> = { base: mine.base }
  const take = (key: string, one: MergedValue, own?: unknown, other?: unknown) => {
    put(value, key, one.value)
    put(base, key, one.base)
    if (one.isConflict) note({ object: null, name: '', key, mine: own, theirs: other })
  }

  const titles = mergedValue(titleOf(was), titleOf(mine), titleOf(theirs))
  const drawings = mergedDrawings(was, mine, theirs, note)
  const title = drawings.values.has(titles.value as string) ? (titles.value as string) : titleOf(mine)
  Object.assign(value, beside(drawings.values, title))
  Object.assign(base, beside(drawings.bases, titleOf(theirs)))

  for (const key of ['guides', 'references', 'pins'] as const)
    take(key, mergedValue(was[key], mine[key], theirs[key]), mine[key], theirs[key])
  const accepted = mergedAccepted(was, mine, theirs)
  if (accepted.length > 0) value.accepted = accepted
  put(base, 'accepted', theirs.accepted)
  if (mine.from && theirs.from) {
    const one = mergedObjects(was.from ?? mine.from, mine.from, theirs.from, 'comes back')
    value.from = one.objects
    base.from = theirs.from
  } else take('from', mergedValue(was.from, mine.from, theirs.from), mine.from, theirs.from)
  return { value: value as Master, base: base as Master, conflicts }
}

/** All drawings of a master by their titles, the one that is shown first. */
const drawingsOf = (master: Master): Map<string, Objects> =>
  new Map([
    [titleOf(master), master.objects],
    ...alternativesOf(master).map(({ name, objects }) => [name, objects] as const),
  ])

/** Drawings as a master has them: one that is shown, and those beside it. */
function beside(drawings: ReadonlyMap<string, Objects>, title: string): Partial<Master> {
  const { [title]: shown = [], ...others } = Object.fromEntries(drawings)
  const alternatives = [...drawings.keys()].flatMap((name) =>
    name === title ? [] : [{ name, objects: others[name] as DrawingObject[] }],
  )
  return {
    objects: shown as DrawingObject[],
    ...(alternatives.length > 0 && { title, alternatives }),
  }
}

function mergedDrawings(
  from: Master,
  mine: Master,
  theirs: Master,
  note: (conflict: Omit<SetConflict, 'part' | 'master'>) => void,
): { values: Map<string, Objects>; bases: Map<string, Objects> } {
  const [was, own, now] = [drawingsOf(from), drawingsOf(mine), drawingsOf(theirs)]
  const values = new Map<string, Objects>(),
    bases = new Map<string, Objects>()
  for (const title of new Set([...own.keys(), ...now.keys()])) {
    const [f, m, t] = [was.get(title), own.get(title), now.get(title)]
    if (m && t) {
      const one = mergedObjects(f ?? [], m, t, 'comes back')
      values.set(title, one.objects)
      bases.set(title, one.from)
      for (const conflict of one.conflicts) note(conflict)
      continue
    }
    if (!f || !same(f, m ?? t)) values.set(title, (m ?? t)!)
    if (t) bases.set(title, t)
  }
  return { values, bases }
}

/** The snags accepted on either side, without those that one side no longer accepts. */
function mergedAccepted(from: Master, mine: Master, theirs: Master) {
  const keyed = (master: Master) => new Map(acceptedIn(master).map((one) => [JSON.stringify(one), one]))
  const [was, own, now] = [keyed(from), keyed(mine), keyed(theirs)]
  const all = new Map([...now, ...own])
  return [...all].flatMap(([key, one]) => (was.has(key) && !(own.has(key) && now.has(key)) ? [] : [one]))
}
