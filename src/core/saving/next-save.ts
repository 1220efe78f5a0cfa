import { changeBetween, type SetChange } from '../set/change'
import { iconPart, type PartKey } from '../set/merge-icon'
import type { IconSet } from '../set/set'
import type { Saver } from './saver-state'
import { basesOf, type SaveRequest, type SetWrites, writesOf } from './wire'

/** All that is not saved, as a change; null where nothing is. */
export const unsaved = (saver: Saver): SetChange | null => changeBetween(saver.base, saver.present)

/** The save of all that may be sent now; null where nothing may. */
export function nextSave(saver: Saver): SaveRequest | null {
  const change = unsaved(saver)
  if (!change) return null
  const kept = new Set<PartKey>(saver.conflicts.map(({ part }) => part))
  for (const { part, value } of saver.refused) if (partOf(saver.present, part) === value) kept.add(part)
  const free = <T>(part: PartKey, value: T | undefined): T | undefined => (kept.has(part) ? undefined : value)
  const order = free('order', change.order)
  const there = new Set(saver.stored.set.icons.map(({ id }) => id))
  const isStored = (id: string) => there.has(id)
  // An icon that is new, or comes out of the bin, comes with its place in the order.
  const icons = change.icons.filter(({ id, to }) => to && !kept.has(iconPart(id)) && (isStored(id) || order))
  const isKnown = (id: string) => isStored(id) || icons.some((one) => one.id === id)
  const ids = order?.to.filter(isKnown)
  const isOrdered = ids && !(ids.length === there.size && [...there].every((id, i) => id === ids[i]))
  const writes: SetWrites = {
    ...writesOf({
      ...(free('name', change.name) && { name: change.name! }),
      ...(free('rules', change.rules) && { rules: change.rules! }),
      ...(free('delivery', change.delivery) && { delivery: change.delivery! }),
      icons,
    }),
    ...(isOrdered && { order: ids }),
  }
  const sendable = saver.isSplit && !writes.rules ? firstOf(writes, isStored) : writes
  if (Object.keys(sendable).length === 0) return null
  const { epoch, revisions } = saver.stored
  return { epoch, id: `${saver.writer}-${saver.saves + 1}`, bases: basesOf(sendable, revisions), writes: sendable }
}

/** One part of writes: single values first, then icons, a new one with its place, then their order. */
function firstOf({ name, delivery, icons, order }: SetWrites, isStored: (id: string) => boolean): SetWrites {
  if (name !== undefined) return { name }
  if (delivery) return { delivery }
  const icon = icons?.[0]
  if (!icon) return order ? { order } : {}
  if (isStored(icon.id) || !order) return { icons: [icon] }
  return { icons: [icon], order: order.filter((id) => id === icon.id || isStored(id)) }
}

/** The value of a part of a set, as far as it can be compared. */
export function partOf(set: IconSet, part: PartKey): unknown {
  switch (part) {
    case 'name':
    case 'rules':
    case 'delivery':
      return set[part]
    case 'order':
      return set.icons.map(({ id }) => id).join(' ')
    default:
      return set.icons.find(({ id }) => iconPart(id) === part)
  }
}

/** The parts that are written. */
export const partsOf = ({ name, rules, delivery, icons = [], order }: SetWrites): PartKey[] => [
  ...(name !== undefined ? (['name'] as const) : []),
  ...(rules ? (['rules'] as const) : []),
  ...(delivery ? (['delivery'] as const) : []),
  ...(order ? (['order'] as const) : []),
  ...icons.map(({ id }) => iconPart(id)),
]
