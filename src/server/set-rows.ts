import { type Size, sizeOf } from '../core/set/bounds'
import type { IconSet } from '../core/set/set'

/** A stored icon: its masters and labels as validated JSON. */
export type IconRow = {
  readonly id: string
  readonly name: string
  readonly labels: string | null
  readonly masters: string
}

/** An icon that is about to be stored, with how much all its drawings hold: a set has bounds for that. */
export type CountedIconRow = IconRow & { readonly size: Size }

/** A stored set: its rules and the masters of its icons as validated JSON. Requests pass it on without parsing it. */
export type SetRows<Row extends IconRow = IconRow> = {
  readonly name: string
  readonly kind: string
  readonly rules: string
  /** How it is delivered, as JSON; null where all is as usual. */
  readonly delivery: string | null
  readonly icons: readonly Row[]
}

/** Sorts rows by a list of ids in JSON; rows it does not name come last. */
export function inOrder<T extends { readonly id: string }>(rows: readonly T[], order: string | null): T[] {
  const places = new Map((JSON.parse(order ?? '[]') as string[]).map((id, i) => [id, i]))
  const placeOf = ({ id }: T) => places.get(id) ?? places.size
  return [...rows].sort((a, b) => placeOf(a) - placeOf(b))
}

export const rowOfIcon = ({ id, name, tags, aliases, rtl, masters }: IconSet['icons'][number]): CountedIconRow => ({
  id,
  name,
  labels:
    tags || aliases || rtl
      ? JSON.stringify({ ...(tags && { tags }), ...(aliases && { aliases }), ...(rtl && { rtl }) })
      : null,
  masters: JSON.stringify(masters),
  size: sizeOf(masters),
})

export const iconOfRow = ({ id, name, labels, masters }: IconRow): IconSet['icons'][number] => ({
  id,
  name,
  ...(labels !== null && JSON.parse(labels)),
  masters: JSON.parse(masters),
})

export const rowsOfSet = ({ name, kind, rules, delivery, icons }: IconSet): SetRows<CountedIconRow> => ({
  name,
  kind,
  rules: JSON.stringify(rules),
  delivery: delivery ? JSON.stringify(delivery) : null,
  icons: icons.map(rowOfIcon),
})

export const setOfRows = ({ name, kind, rules, delivery, icons }: SetRows): IconSet => ({
  name,
  kind: kind as IconSet['kind'],
  rules: JSON.parse(rules),
  ...(delivery !== null && { delivery: JSON.parse(delivery) }),
  icons: icons.map(iconOfRow),
})

/** A stored row as the JSON of an icon, without parsing it. */
export const iconJson = (icon: IconRow): string =>
  `{"id":${JSON.stringify(icon.id)},"name":${JSON.stringify(icon.name)},${icon.labels === null ? '' : `${icon.labels.slice(1, -1)},`}"masters":${icon.masters}}`

/** Stored rows as the JSON of a set. */
export const setJson = (set: SetRows): string => writtenSet(set, set.icons.map(iconJson))

/** The JSON of a set with icons that are written as JSON already. */
export function writtenSet(
  { name, kind, rules, delivery }: Omit<SetRows, 'icons'>,
  written: readonly string[],
): string {
  return `{"name":${JSON.stringify(name)},"kind":${JSON.stringify(kind)},"rules":${rules},${delivery === null ? '' : `"delivery":${delivery},`}"icons":[${written.join(',')}]}`
}
