import type { Rules } from '../rules/rules'
import { keepingCodes } from './code-points'
import { mergedSet } from './merge-set'
import type { Icon, IconSet } from './set'
import type { Delivery } from './settings'

type Sides<T> = { readonly from: T; readonly to: T }

/**
 * The difference between two states of a set, by part: name, rules, delivery, the order of icon ids, and each icon by its
 * id. An icon that one state lacks is missing on that side. Plain data.
 */
export type SetChange = {
  readonly name?: Sides<string>
  readonly rules?: Sides<Rules>
  readonly delivery?: Sides<Delivery | undefined>
  readonly order?: Sides<readonly string[]>
  readonly icons: readonly { readonly id: string; readonly from?: Icon | undefined; readonly to?: Icon | undefined }[]
}

/** The difference between two sets; null where there is none. Parts are compared by identity, since edits keep untouched parts. */
export function changeBetween(from: IconSet, to: IconSet): SetChange | null {
  const icons = from.icons === to.icons ? [] : iconChanges(from.icons, to.icons)
  const change: SetChange = {
    ...(from.name !== to.name && { name: { from: from.name, to: to.name } }),
    ...(from.rules !== to.rules && { rules: { from: from.rules, to: to.rules } }),
    ...(!isSameDelivery(from.delivery, to.delivery) && { delivery: { from: from.delivery, to: to.delivery } }),
    ...(!isSameOrder(from.icons, to.icons) && { order: { from: idsOf(from), to: idsOf(to) } }),
    icons,
  }
  return icons.length > 0 || Object.keys(change).length > 1 ? change : null
}

function iconChanges(from: readonly Icon[], to: readonly Icon[]): SetChange['icons'] {
  const known = new Map(from.map((icon) => [icon.id, icon]))
  const changed = to.flatMap((icon) =>
    known.get(icon.id) === icon ? [] : [{ id: icon.id, from: known.get(icon.id), to: icon }],
  )
  const there = new Set(to.map(({ id }) => id))
  return [...changed, ...from.flatMap((icon) => (there.has(icon.id) ? [] : [{ id: icon.id, from: icon }]))]
}

/** Nothing chosen is the same as not set. */
const isSameDelivery = (a: Delivery = {}, b: Delivery = {}): boolean =>
  a === b || Object.keys(a).length + Object.keys(b).length === 0

const idsOf = ({ icons }: IconSet): string[] => icons.map(({ id }) => id)

const isSameOrder = (a: readonly Icon[], b: readonly Icon[]): boolean =>
  a === b || (a.length === b.length && a.every(({ id }, i) => id === b[i]!.id))

/** A set with the parts that one side of a change gives. Icons that its order does not name go last. */
export function withSide(set: IconSet, change: SetChange, side: 'from' | 'to'): IconSet {
  const icons = new Map(set.icons.map((icon) => [icon.id, icon]))
  for (const one of change.icons) {
    const icon = one[side]
    if (icon) icons.set(one.id, icon)
    else icons.delete(one.id)
  }
  const order = change.order?.[side] ?? []
  const ids = new Set([...order, ...icons.keys()])
  const { delivery: was, ...rest } = set
  const delivery = change.delivery ? change.delivery[side] : was
  return {
    ...rest,
    name: change.name?.[side] ?? set.name,
    rules: change.rules?.[side] ?? set.rules,
    ...(delivery && { delivery }),
    icons: [...ids].flatMap((id) => icons.get(id) ?? []),
  }
}

/** Whether a set has every part that one side of a change gives, as the very same object. */
function isAt(set: IconSet, { icons, name, rules, delivery, order }: SetChange, side: 'from' | 'to'): boolean {
  const known = new Map(set.icons.map((icon) => [icon.id, icon]))
  return (
    (!name || name[side] === set.name) &&
    (!rules || rules[side] === set.rules) &&
    (!delivery || delivery[side] === set.delivery) &&
    (!order || (order[side].length === set.icons.length && set.icons.every(({ id }, i) => id === order[side][i]))) &&
    icons.every((one) => known.get(one.id) === one[side])
  )
}

/**
 * Applies a change (`to`) or reverts it (`from`). Keeps other changes made since: a value that is not that of the other
 * side of the change stays. Code points stay too.
 */
export function moved(set: IconSet, change: SetChange, side: 'from' | 'to'): IconSet {
  const other = side === 'to' ? 'from' : 'to'
  // Where nothing of it has changed since, there is nothing to merge.
  if (isAt(set, change, other)) return keepingCodes(withSide(set, change, side), set)
  const start = withSide(set, change, other)
  return keepingCodes(mergedSet(start, set, withSide(start, change, side)).set, set)
}
