import { same } from '../drawing/model/same'
import { namesUsed, type ValueKind } from '../drawing/objects/visit'
import { walk } from '../drawing/objects/tree'
import { LISTS } from '../rules/lists'
import { hasValue } from '../rules/renames'
import { Rules } from '../rules/rules'
import { iconPart, mergedIcon, type PartKey, type SetConflict } from './merge-icon'
import { mergedFields, mergedOrder, mergedValue, type MergedValue } from './merge-value'
import { unitedCodes, withCodes } from './code-points'
import { freeName, nameKey } from './names'
import { restyledSet } from './restyle'
import { Icon, iconProblems, type IconSet, masterFor } from './set'
import type { Delivery } from './settings'

/** A merged set, the base for the next merge, and the conflicts. */
export type MergedSet = {
  readonly set: IconSet
  readonly base: IconSet
  readonly conflicts: readonly SetConflict[]
}

/**
 * Three-way merge of a set: `from` is the merge base, `mine` and `theirs` are the two sides. A value changed on one
 * side, down to single numbers of single objects, is taken from that side. A value changed on both sides is taken from
 * `mine` and reported as a conflict. An object changed on one side and deleted on the other is kept. If both sides are
 * valid the result is valid: one grid for all icons, unique names, no missing named values.
 */
export function mergedSet(from: IconSet, mine: IconSet, theirs: IconSet): MergedSet {
  if (from === mine) return { set: theirs, base: theirs, conflicts: [] }
  if (from === theirs) return { set: mine, base: theirs, conflicts: [] }
  const conflicts: SetConflict[] = []
  const name = mergedValue(from.name, mine.name, theirs.name)
  if (name.isConflict) conflicts.push(wholeConflict('name', 'name', mine.name, theirs.name))
  const rules = mergedRules(from.rules, mine.rules, theirs.rules, conflicts)
  const delivery = mergedDelivery(from.delivery, mine.delivery, theirs.delivery)
  if (delivery.isConflict) conflicts.push(wholeConflict('delivery', 'all', mine.delivery, theirs.delivery))

  // Where one side brought all icons to another grid, what the other one drew is brought there the same way.
  const grid = rules.value.grid.size === mine.rules.grid.size ? mine.rules : theirs.rules
  const onGrid = (side: IconSet, icon: Icon | undefined): Icon | undefined =>
    icon && onGridOf({ ...side, icons: [icon] }, grid).icons[0]!
  const icons = mergedIcons([from, mine, theirs], rules.value, onGrid)
  const isThere = grid.grid.size === theirs.rules.grid.size
  conflicts.push(...(isThere ? icons.conflicts : wholeIcons(icons.conflicts)))
  // An empty delivery is left out.
  const { delivery: _, ...bare } = mine,
    { delivery: __, ...bareThere } = theirs
  const set = withNamedValues(
    {
      ...bare,
      name: name.value as string,
      rules: rules.value,
      ...(delivery.value !== undefined && { delivery: delivery.value as IconSet['delivery'] }),
      icons: withFreeNames(icons.icons, byId(theirs)),
    },
    [mine.rules, theirs.rules, from.rules],
  )
  const base: IconSet = {
    ...bareThere,
    name: name.base as string,
    rules: rules.base,
    ...(delivery.base !== undefined && { delivery: delivery.base as IconSet['delivery'] }),
    // If only this side changed the grid, the base keeps the stored icons on the old grid.
    icons: isThere ? icons.bases : asThere(from, theirs, icons.conflicts),
  }
  return { set: unchanged(set, mine), base: unchanged(base, theirs), conflicts }
}

/**
 * How a set is delivered, merged. Code points are not merged as values are: those that were saved elsewhere stand, and one
 * that was given here at the same time moves on.
 */
function mergedDelivery(from?: Delivery, mine?: Delivery, theirs?: Delivery): MergedValue {
  const bare = (delivery?: Delivery) => {
    const { codes: _, ...rest } = delivery ?? {}
    return delivery && rest
  }
  const merged = mergedValue(bare(from), bare(mine), bare(theirs))
  const codes = unitedCodes(theirs?.codes, { ...from?.codes, ...mine?.codes })
  return {
    ...merged,
    value: withCodes(merged.value as Delivery | undefined, codes),
    base: withCodes(merged.base as Delivery | undefined, theirs?.codes ?? {}),
  }
}

/** The icons of the other side; conflicting icons as in the merge base. */
function asThere(from: IconSet, theirs: IconSet, conflicts: readonly SetConflict[]): Icon[] {
  const was = byId(from),
    inConflict = new Set(conflicts.map(({ part }) => part))
  return theirs.icons.map((icon) => (inConflict.has(iconPart(icon.id)) && was.get(icon.id)) || icon)
}

/** The given set itself where no part of it differs. */
function unchanged(set: IconSet, before: IconSet): IconSet {
  const icons =
    set.icons.length === before.icons.length && set.icons.every((icon, i) => icon === before.icons[i])
      ? before.icons
      : set.icons
  const isSame =
    set.name === before.name && set.rules === before.rules && set.delivery === before.delivery && icons === before.icons
  return isSame ? before : { ...set, icons }
}

const wholeConflict = (part: PartKey, key: string, mine: unknown, theirs: unknown): SetConflict => ({
  part,
  master: null,
  object: null,
  name: '',
  key,
  mine,
  theirs,
})

/** The merged rules. Where the merge would be invalid, `mine` is kept and the rules as a whole are a conflict. */
function mergedRules(from: Rules, mine: Rules, theirs: Rules, conflicts: SetConflict[]): { value: Rules; base: Rules } {
  if (same(from, mine) || same(mine, theirs)) return { value: theirs, base: theirs }
  if (same(from, theirs)) return { value: mine, base: theirs }
  const one = mergedFields(from, mine, theirs)
  const parsed = Rules.safeParse(one.value)
  if (!parsed.success) {
    conflicts.push(wholeConflict('rules', 'all', mine, theirs))
    return { value: mine, base: from }
  }
  const [own, now] = [mine, theirs] as unknown as Record<string, unknown>[]
  for (const key of one.conflicting) conflicts.push(wholeConflict('rules', key, own![key], now![key]))
  return { value: parsed.data, base: one.base as unknown as Rules }
}

/** Each icon in conflict as one conflict, for want of a grid that both sides are on. */
const wholeIcons = (conflicts: readonly SetConflict[]): SetConflict[] => [
  ...new Map(conflicts.map((one) => [one.part, { ...one, master: null, object: null, key: 'all' }] as const)).values(),
]

/** A set with its icons brought to the grid of rules, as a change of the grid brings them. */
export function onGridOf(set: IconSet, rules: Rules): IconSet {
  if (set.rules.grid.size === rules.grid.size) return set
  const known = withNamedValues({ ...set, rules }, [set.rules]).rules
  return restyledSet(set, { rules: known, renames: [], drawings: 'fitted', isFollowing: true })
}

const byId = ({ icons }: IconSet): ReadonlyMap<string, Icon> => new Map(icons.map((icon) => [icon.id, icon]))

function mergedIcons(
  [from, mine, theirs]: readonly [IconSet, IconSet, IconSet],
  rules: Rules,
  onGrid: (side: IconSet, icon: Icon | undefined) => Icon | undefined,
): { icons: Icon[]; bases: Icon[]; conflicts: SetConflict[] } {
  const conflicts: SetConflict[] = []
  const [was, own, now] = [byId(from), byId(mine), byId(theirs)]
  const values = new Map<string, Icon>(),
    bases = new Map<string, Icon>(now)
  const isOnGrid = (icon: Icon) => masterFor(icon).base === rules.grid.size
  for (const id of new Set([...own.keys(), ...now.keys()])) {
    const sides = [was.get(id), own.get(id), now.get(id)] as const
    if (sides[0] === sides[1] && sides[2] && isOnGrid(sides[2])) {
      values.set(id, sides[2])
      continue
    }
    if (sides[0] === sides[2] && sides[1] && isOnGrid(sides[1])) {
      values.set(id, sides[1])
      continue
    }
    const [f, m, t] = [onGrid(from, sides[0]), onGrid(mine, sides[1]), onGrid(theirs, sides[2])]
    if (!m || !t) {
      if (!f || !same(f, m ?? t)) values.set(id, (m ?? t)!)
      continue
    }
    const one = f ? mergedIcon(f, m, t) : same(m, t) ? { value: t, base: t, conflicts: [] } : null
    if (one && isInOrder(one.value, rules)) {
      values.set(id, same(one.value, t) ? t : same(one.value, m) ? m : one.value)
      if (one.conflicts.length > 0) bases.set(id, one.base)
      conflicts.push(...one.conflicts)
    } else {
      conflicts.push({ ...wholeConflict(iconPart(id), 'all', m, t), name: m.name })
      values.set(id, m)
      if (f) bases.set(id, f)
      else bases.delete(id)
    }
  }
  const ids = (map: ReadonlyMap<string, Icon>) => [...map.keys()]
  const order = mergedOrder(ids(was), ids(own), ids(now), new Set(values.keys()))
  return { icons: order.map((id) => values.get(id)!), bases: [...bases.values()], conflicts }
}

/** Whether a merged icon may be stored, values aside that only one side knows: those are brought back. */
function isInOrder(icon: Icon, rules: Rules): boolean {
  if (!Icon.safeParse(icon).success) return false
  return iconProblems(icon, rules, () => true).length === 0
}

/** Icons with unique names. Of two equal names the one given here is changed. */
function withFreeNames(icons: Icon[], theirs: ReadonlyMap<string, Icon>): Icon[] {
  // Names that all equal those of the other side are unique.
  if (icons.every(({ id, name }) => theirs.get(id)?.name === name)) return icons
  const taken = new Map<string, string>()
  for (const { id, name } of icons) if (theirs.get(id)?.name === name) taken.set(nameKey(name), id)
  return icons.map((icon) => {
    const key = nameKey(icon.name)
    const owner = taken.get(key)
    if (owner === undefined || owner === icon.id) {
      taken.set(key, icon.id)
      return icon
    }
    const name = freeName(
      icon.name,
      icons.map((one) => one.name),
    )
    taken.set(nameKey(name), icon.id)
    return { ...icon, name }
  })
}

/** A set whose rules have every value that its drawings refer to. Values that one side removed come back from the other. */
export function withNamedValues(set: IconSet, books: readonly Rules[]): IconSet {
  // Only what this side or the other took out can be missing.
  if (books.every((book) => book === set.rules)) return set
  const parts = set.rules.parts ?? []
  const drawings = [
    ...parts.map(({ objects }) => objects),
    ...set.icons.flatMap(({ masters }) =>
      masters.flatMap(({ objects, from = [], alternatives = [] }) => [
        objects,
        from,
        ...alternatives.map((one) => one.objects),
      ]),
    ),
  ]
  const missing = new Map<string, { kind: ValueKind; name: string }>()
  for (const objects of drawings)
    for (const { object } of walk(objects))
      for (const one of namesUsed(object))
        if (!hasValue(set.rules, one.kind, one.name)) missing.set(`${one.kind} ${one.name}`, one)
  const next: Record<string, unknown> = { ...set.rules }
  let isFound = false
  for (const { kind, name } of missing.values()) {
    const key = LISTS[kind]
    const value = books
      .flatMap((book): readonly { readonly name: string }[] => book[key] ?? [])
      .find((one) => one.name === name)
    if (!value) continue
    next[key] = [...((next[key] as unknown[] | undefined) ?? []), value]
    isFound = true
  }
  // A part that comes back may refer to others.
  return isFound ? withNamedValues({ ...set, rules: next as Rules }, books) : set
}
