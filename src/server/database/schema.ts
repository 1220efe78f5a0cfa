import type { ColumnType, Generated } from 'kysely'

/**
 * The tables, as Kysely sees them. Times are ISO 8601 in UTC; `rules` and `masters` are JSON the core's schemas
 * validate.
 */
export type Tables = {
  sets: SetTable
  icons: IconTable
  drawn: DrawnTable
  pictures: PictureTable
  settings: SettingTable
  releases: ReleaseTable
  saves: SaveTable
  states: StateTable
  past: PastTable
}

type Counted = ColumnType<number, number | undefined, number>

type SetTable = {
  id: string
  name: string
  kind: string
  rules: string
  /** How it is delivered, as JSON; null where all is as usual. */
  delivery: string | null
  /** Grows by one with every saved change. */
  revision: Counted
  /** The revision in which each part changed last. */
  name_revision: Counted
  rules_revision: Counted
  delivery_revision: Counted
  order_revision: Counted
  /** The ids of its icons in their order, as JSON. */
  icon_order: string | null
  /** Its place on the shelf. */
  position: number
  changed_at: string
  deleted_at: string | null
}

type IconTable = {
  set_id: string
  id: string
  name: string
  /** Labels of the icon as JSON: tags, other names; null if there are none. */
  labels: string | null
  masters: string
  /** The revision of the set in which the icon changed last. */
  revision: Counted
  /** How many objects, and how many nodes and points, all its drawings have; null where that was never counted. */
  objects: number | null
  nodes: number | null
  changed_at: string
  deleted_at: string | null
}

/**
 * Icons as pictures in their stored form, or why they cannot be drawn. It holds for those revisions of icon and rules, and for the program that drew it.
 */
type DrawnTable = {
  set_id: string
  icon_id: string
  icon_revision: number
  rules_revision: number
  drawn_by: string
  picture: string | null
  problem: string | null
  /** How it is drawn on the further grids of its set, as JSON by their sizes; null where there are none. */
  others: string | null
  /** Number of snags without hints and accepted ones; null if unknown. */
  snags: number | null
}

/** Pictures that icons are drawn by; `kind` is their media type, `id` made of their bytes. */
type PictureTable = { id: string; kind: string; w: number; h: number; bytes: Buffer; added_at: string }

/** A release: its archive and set file; as JSON the contents of the archive, and the drawn icons. */
type ReleaseTable = {
  set_id: string
  number: number
  note: string
  made_at: string
  files: string
  icons: string
  set_file: Buffer
  /** Whether the set file has the pictures that lie under its drawings; they may be too much for one file. */
  has_pictures: ColumnType<number, number | undefined, number>
  archive: Buffer
  icon_count: ColumnType<number, number | undefined, number>
  file_count: ColumnType<number, number | undefined, number>
}

/** Saves that were done, by their ids, and the revision that each gave: one that comes again is answered alike. */
type SaveTable = { set_id: string; id: string; revision: number; at: string }

/**
 * States of a set that can be looked at again, by the revisions they were: unnamed ones are a day's last. `at` is when the
 * state came to be, `kept_at` when it began to be kept: its time in the past is counted from then.
 */
type StateTable = { set_id: string; revision: number; at: string; kept_at: string; name: string | null }

/**
 * Values of parts of sets in the revisions from `revision` to before `until`, as JSON; only those that a kept state
 * needs.
 */
type PastTable = { set_id: string; part: string; revision: number; until: number; value: string }

type SettingTable = { key: Generated<string>; value: string }
