import { z } from 'zod'
import { Rules } from '../rules/rules'
import { SetName } from '../set/names'
import { Delivery } from '../set/settings'
import { Icon, type IconSet, LIMITS } from '../set/set'

/** What changed in a set since a revision: whole icons, whole rules; what is left out stays as it was. */
export const SetWrites = z.strictObject({
  name: SetName.optional(),
  rules: Rules.optional(),
  delivery: Delivery.optional(),
  icons: z.array(Icon).max(LIMITS.icons).optional(),
  /** The ids of all icons in their order; whatever is not among them goes to the bin. */
  order: z.array(z.string()).max(LIMITS.icons).optional(),
})

export type SetWrites = z.infer<typeof SetWrites>

/**
 * The difference of two sets, found by identity: whatever an edit did not touch is the same object. Null when nothing
 * changed.
 */
export function difference(before: IconSet, after: IconSet): SetWrites | null {
  const writes: SetWrites = {}
  if (before.name !== after.name) writes.name = after.name
  if (before.rules !== after.rules) writes.rules = after.rules
  if (before.delivery !== after.delivery) writes.delivery = after.delivery ?? {}
  if (before.icons !== after.icons) {
    const known = new Map(before.icons.map((icon) => [icon.id, icon]))
    const changed = after.icons.filter((icon) => known.get(icon.id) !== icon)
    if (changed.length > 0) writes.icons = changed
    const sameOrder =
      before.icons.length === after.icons.length && before.icons.every(({ id }, i) => id === after.icons[i]!.id)
    if (!sameOrder) writes.order = after.icons.map(({ id }) => id)
  }
  return Object.keys(writes).length > 0 ? writes : null
}

/** Two differences as one, of which the second goes before the first where both have something. */
export function both(a: SetWrites | null, b: SetWrites | null): SetWrites | null {
  if (!a || !b) return a ?? b
  const icons = [...new Map([...(a.icons ?? []), ...(b.icons ?? [])].map((icon) => [icon.id, icon])).values()]
  return { ...a, ...b, ...(icons.length > 0 && { icons }) }
}

/** A set with writes laid over it. */
export function overlay(set: IconSet, writes: SetWrites): IconSet {
  const icons = new Map([...set.icons, ...(writes.icons ?? [])].map((icon) => [icon.id, icon]))
  const order = writes.order ?? [...icons.keys()]
  return {
    ...set,
    name: writes.name ?? set.name,
    rules: writes.rules ?? set.rules,
    ...(writes.delivery && { delivery: writes.delivery }),
    icons: order.flatMap((id) => icons.get(id) ?? []),
  }
}
