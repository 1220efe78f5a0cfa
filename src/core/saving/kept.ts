import { z } from 'zod'
import { same } from '../drawing/model/same'
import { Rules } from '../rules/rules'
import type { SetChange } from '../set/change'
import { SetName } from '../set/names'
import { Icon, type IconSet } from '../set/set'
import { Delivery } from '../set/settings'
import { unsaved } from './next-save'
import { type Left, type Saver } from './saver-state'
import { SaveRequest, type SetWrites } from './wire'

const sides = <T extends z.ZodType>(value: T) => z.object({ from: value, to: value })

/** A change as plain data: whole parts, before and after. */
const Change = z.object({
  name: sides(SetName).optional(),
  rules: sides(Rules).optional(),
  delivery: z.object({ from: Delivery.optional(), to: Delivery.optional() }).optional(),
  order: sides(z.array(z.string())).optional(),
  icons: z.array(z.object({ id: z.string(), from: Icon.optional(), to: Icon.optional() })),
})

/** The record that a browser keeps of a window until all is saved: its change, and the save that has no answer yet. */
export const Kept = z.object({
  setId: z.string(),
  writer: z.string(),
  /** When it was kept last, as ISO 8601 in UTC. */
  at: z.string(),
  change: Change,
  sent: SaveRequest.nullable(),
  /** The open window that takes it over. */
  claimedBy: z.string().optional(),
})
export type Kept = {
  readonly setId: string
  readonly writer: string
  readonly at: string
  readonly claimedBy?: string | undefined
} & Unsaved

/** The unsaved work of a window. */
type Unsaved = { readonly change: SetChange; readonly sent: SaveRequest | null }

/** The unsaved work of a window; null if all is saved. */
export function toKeep(saver: Saver): Unsaved | null {
  const change = unsaved(saver)
  return change || saver.sent ? { change: change ?? { icons: [] }, sent: saver.sent } : null
}

/**
 * The unsaved work of a closed window, to be merged into the stored set. With `wasSaved` its last save arrived, and the
 * change is rebased on it.
 */
export function leftOf({ writer, change, sent }: Pick<Kept, 'writer' | 'change' | 'sent'>, wasSaved: boolean): Left {
  return { writer, change: wasSaved && sent ? seenFrom(change, sent.writes) : change }
}

/** Whether a set already contains all written parts. */
export function hasArrived(set: IconSet, { name, rules, delivery, icons = [], order }: SetWrites): boolean {
  const there = new Map(set.icons.map((icon) => [icon.id, icon]))
  return (
    (name === undefined || name === set.name) &&
    (!rules || same(rules, set.rules)) &&
    (!delivery || same(delivery, set.delivery ?? {})) &&
    (!order || same(order, [...there.keys()])) &&
    icons.every((icon) => same(icon, there.get(icon.id)))
  )
}

/** A change seen from a state in which these writes are done. */
function seenFrom(change: SetChange, writes: SetWrites): SetChange {
  const sent = new Map(writes.icons?.map((icon) => [icon.id, icon]))
  return {
    ...(change.name && { name: { ...change.name, from: writes.name ?? change.name.from } }),
    ...(change.rules && { rules: { ...change.rules, from: writes.rules ?? change.rules.from } }),
    ...(change.delivery && { delivery: { ...change.delivery, from: writes.delivery ?? change.delivery.from } }),
    ...(change.order && { order: { ...change.order, from: writes.order ?? change.order.from } }),
    icons: change.icons.map((one) => ({ ...one, from: sent.get(one.id) ?? one.from })),
  }
}
