import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { Kysely, SqliteDialect } from 'kysely'
import { migrate } from './migrations'
import type { Tables } from './schema'

export type Db = Kysely<Tables>

/** Opens (and makes, where needed) the database in a folder and brings it up to date. `:memory:` is a database of its own. */
export async function openDatabase(folder: string): Promise<Db> {
  if (folder !== ':memory:') mkdirSync(/* turbopackIgnore: true */ folder, { recursive: true })
  const file = new Database(folder === ':memory:' ? folder : join(folder, 'wise-square.db'))
  file.pragma('journal_mode = WAL')
  // FULL: what was acknowledged as saved survives a power cut, not only a killed process.
  file.pragma('synchronous = FULL')
  file.pragma('foreign_keys = ON')
  file.pragma('busy_timeout = 5000')
  const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database: file }) })
  await migrate(db)
  return db
}

const shared = globalThis as { wiseSquareDb?: Promise<Db> }

/** The server's one database, in the folder that `WISE_SQUARE_DATA` names. */
export function database(): Promise<Db> {
  shared.wiseSquareDb ??= openDatabase(process.env.WISE_SQUARE_DATA ?? join(/* turbopackIgnore: true */ process.cwd(), 'data'))
  return shared.wiseSquareDb
}
