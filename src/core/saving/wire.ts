import { z } from 'zod'
import { Rules } from '../rules/rules'
import type { SetChange } from '../set/change'
import { iconPart, type PartKey } from '../set/merge-icon'
import { SetName } from '../set/names'
import { Icon, type IconSet, LIMITS } from '../set/set'
import { Delivery } from '../set/settings'

/**
 * A revision for each part of a set: the number that the set's own revision had when the part changed last. Counts up by
 * one with every save, so that “since 41” names all that changed after it.
 */
export type Revisions = {
  readonly name: number
  readonly rules: number
  readonly delivery: number
  readonly order: number
  /** By the ids of the icons. */
  readonly icons: Readonly<Record<string, number>>
}

/** New values of whole parts of a set; missing parts are unchanged. */
export const SetWrites = z.strictObject({
  name: SetName.optional(),
  rules: Rules.optional(),
  delivery: Delivery.optional(),
  icons: z.array(Icon).max(LIMITS.icons).optional(),
  /** The ids of all icons in their order; whatever is not among them goes to the bin. */
  order: z.array(z.string()).max(LIMITS.icons).optional(),
})
export type SetWrites = z.infer<typeof SetWrites>

const Revision = z.int().min(0)

/** The revisions of the parts that writes are built on; null for an icon that is new. */
export const Bases = z.strictObject({
  name: Revision.optional(),
  rules: Revision.optional(),
  delivery: Revision.optional(),
  order: Revision.optional(),
  icons: z.record(z.string().max(40), Revision.nullable()).optional(),
})
export type Bases = z.infer<typeof Bases>

/** Name of a run of revisions. A restored shelf begins a new epoch, because its revision numbers mean other states. */
const Epoch = z.string().regex(/^[\w-]{1,40}$/)

/** A save. Its id is its own: sent twice it is done once, and answered alike. */
export const SaveRequest = z.strictObject({
  epoch: Epoch,
  id: z.string().regex(/^[\w-]{8,80}$/, 'The id of a save has 8 to 80 letters, digits and hyphens.'),
  bases: Bases,
  writes: SetWrites,
})
export type SaveRequest = z.infer<typeof SaveRequest>

/** The answer to a save: the revision of the set, and so of all parts that were written, from then on. */
export const Saved = z.strictObject({ revision: z.int().min(1) })

/**
 * Changes of a set since a revision: the parts as of `revision`, each with its own revision. Contains all parts if the
 * epoch differs from that of the question.
 */
export const Changes = z.strictObject({
  epoch: Epoch,
  revision: z.int().min(1),
  revisions: Bases,
  writes: z.strictObject({ ...SetWrites.shape, icons: z.array(z.unknown()).optional(), rules: z.unknown().optional() }),
})
export type Changes = {
  readonly epoch: string
  readonly revision: number
  readonly revisions: Bases
  readonly writes: SetWrites
}

/** The new values of a change, as whole parts. */
export function writesOf({ name, rules, delivery, order, icons }: SetChange): SetWrites {
  const written = icons.flatMap(({ to }) => to ?? [])
  return {
    ...(name && { name: name.to }),
    ...(rules && { rules: rules.to }),
    ...(delivery && { delivery: delivery.to ?? {} }),
    ...(written.length > 0 && { icons: written }),
    ...(order && { order: [...order.to] }),
  }
}

/** The revisions that writes are built on, where these are known. */
export function basesOf(writes: SetWrites, revisions: Revisions): Bases {
  return {
    ...(writes.name !== undefined && { name: revisions.name }),
    ...(writes.rules && { rules: revisions.rules }),
    ...(writes.delivery && { delivery: revisions.delivery }),
    ...(writes.order && { order: revisions.order }),
    ...(writes.icons && { icons: Object.fromEntries(writes.icons.map(({ id }) => [id, revisions.icons[id] ?? null])) }),
  }
}

/**
 * The parts of a save that are built on another state than the one that is stored. An icon that is in the bin is only
 * written together with the order that takes it out.
 */
export function staleParts(bases: Bases, stored: Revisions, isBinned: (id: string) => boolean): PartKey[] {
  const single = (['name', 'rules', 'delivery', 'order'] as const).filter(
    (key) => bases[key] !== undefined && bases[key] !== stored[key],
  )
  const icons = Object.entries(bases.icons ?? {}).filter(([id, base]) => {
    const is = stored.icons[id]
    // One that is no longer even in the bin may come again.
    return is !== undefined && (base !== is || (isBinned(id) && bases.order === undefined))
  })
  return [...single, ...icons.map(([id]) => iconPart(id))]
}

/** The revisions of a set of which nothing is known. */
export const UNKNOWN: Revisions = { name: 0, rules: 0, delivery: 0, order: 0, icons: {} }

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

/** Changes but for the parts that are known in a later state already. */
export function fresh({ revisions, writes, ...rest }: Changes, known: Revisions): Changes {
  const isNew = (key: 'name' | 'rules' | 'delivery' | 'order') => (revisions[key] ?? 0) > known[key]
  const { name, rules, delivery, order, icons } = writes
  const later = Object.entries(revisions.icons ?? {}).filter(([id, at]) => (at ?? 0) > (known.icons[id] ?? 0))
  const ids = new Set(later.map(([id]) => id))
  return {
    ...rest,
    revisions: {
      ...Object.fromEntries(
        (['name', 'rules', 'delivery', 'order'] as const).flatMap((key) => (isNew(key) ? [[key, revisions[key]]] : [])),
      ),
      icons: Object.fromEntries(later),
    },
    writes: {
      ...(name !== undefined && isNew('name') && { name }),
      ...(rules && isNew('rules') && { rules }),
      ...(delivery && isNew('delivery') && { delivery }),
      ...(order && isNew('order') && { order }),
      ...(icons && { icons: icons.filter(({ id }) => ids.has(id)) }),
    },
  }
}

/** Revisions overlaid with those of a save or of changes; with `at`, those parts get this revision. */
export function revised(revisions: Revisions, parts: Bases, at?: number): Revisions {
  const {
    name = revisions.name,
    rules = revisions.rules,
    delivery = revisions.delivery,
    order = revisions.order,
  } = parts
  const own = (key: keyof Bases, value: number) => (at !== undefined && parts[key] !== undefined ? at : value)
  const icons = Object.entries(parts.icons ?? {}).map(([id, one]) => [id, at ?? one ?? 0] as const)
  return {
    name: own('name', name),
    rules: own('rules', rules),
    delivery: own('delivery', delivery),
    order: own('order', order),
    icons: icons.length > 0 ? { ...revisions.icons, ...Object.fromEntries(icons) } : revisions.icons,
  }
}
