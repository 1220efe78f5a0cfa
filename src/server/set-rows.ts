import type { IconSet } from '../core/set/set'

/** An icon as it is stored: its masters, and what it is found by, as JSON that the schema has accepted. */
export type IconRow = {
  readonly id: string
  readonly name: string
  readonly labels: string | null
  readonly masters: string
}

/**
 * A set as it is stored: its rules, and the masters of its icons, as JSON that the schema has accepted. Requests pass
 * it on without reading it.
 */
export type SetRows = {
  readonly name: string
  readonly kind: string
  readonly rules: string
  readonly icons: readonly IconRow[]
}

export const rowOfIcon = ({ id, name, tags, aliases, masters }: IconSet['icons'][number]): IconRow => ({
  id,
  name,
  labels: tags || aliases ? JSON.stringify({ ...(tags && { tags }), ...(aliases && { aliases }) }) : null,
  masters: JSON.stringify(masters),
})

export const rowsOfSet = ({ name, kind, rules, icons }: IconSet): SetRows => ({
  name,
  kind,
  rules: JSON.stringify(rules),
  icons: icons.map(rowOfIcon),
})

export const setOfRows = ({ name, kind, rules, icons }: SetRows): IconSet => ({
  name,
  kind: kind as IconSet['kind'],
  rules: JSON.parse(rules),
  icons: icons.map((icon) => ({
    id: icon.id,
    name: icon.name,
    ...(icon.labels !== null && JSON.parse(icon.labels)),
    masters: JSON.parse(icon.masters),
  })),
})

/** Stored rows as the JSON of a set, without reading what is JSON already. */
export function setJson({ name, kind, rules, icons }: SetRows): string {
  const written = icons.map(
    (icon) =>
      `{"id":${JSON.stringify(icon.id)},"name":${JSON.stringify(icon.name)},${icon.labels === null ? '' : `${icon.labels.slice(1, -1)},`}"masters":${icon.masters}}`,
  )
  return `{"name":${JSON.stringify(name)},"kind":${JSON.stringify(kind)},"rules":${rules},"icons":[${written.join(',')}]}`
}
