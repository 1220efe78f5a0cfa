import { accessSync, constants, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { Kysely, SqliteAdapter, SqliteDialect } from 'kysely'
import { migrate } from './migrations'
import type { Tables } from './schema'

export type Db = Kysely<Tables>

/** SQLite changes tables within transactions like anything else; Kysely's own adapter does not make use of it. */
class AtomicAdapter extends SqliteAdapter {
  override get supportsTransactionalDdl(): boolean {
    return true
  }
}

/** SQLite with changes of tables in transactions. */
export class AtomicDialect extends SqliteDialect {
  override createAdapter(): SqliteAdapter {
    return new AtomicAdapter()
  }
}

/**
 * Opens (and makes, where needed) the database in a folder and brings it up to date. `:memory:` is a database of its
 * own. Throws a sentence when the folder will not do.
 */
export async function openDatabase(folder: string): Promise<Db> {
  if (folder !== ':memory:') makeFolder(folder)
  const file = new Database(folder === ':memory:' ? folder : join(folder, 'wise-square.db'))
  file.pragma('journal_mode = WAL')
  // FULL: what was acknowledged as saved survives a power cut, not only a killed process.
  file.pragma('synchronous = FULL')
  file.pragma('foreign_keys = ON')
  file.pragma('busy_timeout = 5000')
  const db = new Kysely<Tables>({ dialect: new AtomicDialect({ database: tolerant(file) }) })
  await migrate(db)
  return db
}

function makeFolder(folder: string): void {
  try {
    mkdirSync(/* turbopackIgnore: true */ folder, { recursive: true })
    accessSync(/* turbopackIgnore: true */ folder, constants.W_OK | constants.X_OK)
  } catch (error) {
    throw new Error(
      `The data folder ${folder} cannot be used: ${error instanceof Error ? error.message : String(error)}`,
    )
  }
}

/** A full disk makes SQLite end a transaction by itself; that there is nothing left to take back must not hide why. */
function tolerant(file: Database.Database): Database.Database {
  const prepare = file.prepare.bind(file)
  file.prepare = ((source: string) =>
    prepare(source === 'rollback' && !file.inTransaction ? 'select 1' : source)) as typeof file.prepare
  return file
}

const shared = globalThis as { wiseSquareDb?: Promise<Db> }

/** The server's one database, in the folder that `WISE_SQUARE_DATA` names. */
export function database(): Promise<Db> {
  shared.wiseSquareDb ??= openDatabase(
    process.env.WISE_SQUARE_DATA ?? join(/* turbopackIgnore: true */ process.cwd(), 'data'),
  )
  return shared.wiseSquareDb
}
