import type { ColumnType, Generated } from 'kysely'

/** The tables, as Kysely sees them. Times are ISO 8601 in UTC; `rules` and `masters` are JSON the core's schemas validate. */
export type Tables = { sets: SetTable; icons: IconTable; pictures: PictureTable; settings: SettingTable }

type SetTable = {
  id: string
  name: string
  kind: string
  rules: string
  /** Grows by one with every saved change. */
  revision: ColumnType<number, number | undefined, number>
  /** The session that saved last: its next change may follow one whose answer it never got. */
  writer: string | null
  position: number
  changed_at: string
  deleted_at: string | null
}

type IconTable = {
  set_id: string
  id: string
  position: number
  name: string
  masters: string
  changed_at: string
  deleted_at: string | null
}

/** Pictures that icons are drawn by; `kind` is their media type, `id` made of their bytes. */
type PictureTable = { id: string; kind: string; w: number; h: number; bytes: Buffer; added_at: string }

type SettingTable = { key: Generated<string>; value: string }
