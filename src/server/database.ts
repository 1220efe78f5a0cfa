import { accessSync, constants, existsSync, mkdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { Kysely, SqliteAdapter, SqliteDialect } from 'kysely'
import { copiesOf, copyDatabase, DATABASE } from './copies'
import { migrate, pendingMigrations } from './migrations'
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
  if (folder !== ':memory:') {
    makeFolder(folder)
    await soundOrThrow(folder)
  }
  const file = new Database(folder === ':memory:' ? folder : join(folder, DATABASE))
  file.pragma('journal_mode = WAL')
  // FULL: what was acknowledged as saved survives a power cut, not only a killed process.
  file.pragma('synchronous = FULL')
  file.pragma('foreign_keys = ON')
  file.pragma('busy_timeout = 5000')
  const db = new Kysely<Tables>({ dialect: new AtomicDialect({ database: tolerant(file) }) })
  const pending = await pendingMigrations(db)
  if (folder !== ':memory:' && pending.isOld) await copyDatabase(folder, ` before ${pending.next}`)
  await migrate(db)
  return db
}

/** Throws a sentence where the database of a folder is there and cannot be read through: it is never written to. */
async function soundOrThrow(folder: string): Promise<void> {
  const path = join(folder, DATABASE)
  if (!existsSync(/* turbopackIgnore: true */ path)) return
  const { size } = statSync(/* turbopackIgnore: true */ path)
  // A server that was killed while it began leaves an empty file; of a shelf that was there for a day there is a copy.
  if (size === 0 && (await copiesOf(folder)).length === 0) return
  let said: string
  try {
    const file = new Database(path, { readonly: true, fileMustExist: true })
    said = (file.pragma('quick_check') as { quick_check: string }[])[0]!.quick_check
    // What is no database at all reads as an empty one.
    if (said === 'ok' && size < LEAST) said = 'it is cut off'
    file.close()
  } catch (error) {
    said = error instanceof Error ? error.message : String(error)
  }
  if (said === 'ok') return
  const copies = await copiesOf(folder)
  throw new Error(
    `The database ${path} is damaged (${said.split('\n')[0]}); it is left as it is. ${
      copies.length > 0
        ? `Start with --restore to go back to the latest copy that can be read, or with --restore --copy NAME to one of ${copies.join(', ')}.`
        : 'There is no copy of it yet.'
    }`,
  )
}

/** A database has at least a page. */
const LEAST = 512

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

const shared = globalThis as { wiseSquareDb?: Promise<Db>; wiseSquareLock?: Database.Database }

/** The folder of the server's data, which `WISE_SQUARE_DATA` names. */
export const dataFolder = (): string =>
  process.env.WISE_SQUARE_DATA ?? join(/* turbopackIgnore: true */ process.cwd(), 'data')

/** The server's one database. */
export function database(): Promise<Db> {
  shared.wiseSquareDb ??= openDatabase(dataFolder())
  return shared.wiseSquareDb
}

/**
 * Keeps other servers out of a data folder for as long as this process lives, however it ends. Throws a sentence where one
 * is there already.
 */
export function holdFolder(folder: string): void {
  makeFolder(folder)
  const lock = new Database(join(folder, 'server.lock'))
  try {
    lock.pragma('locking_mode = EXCLUSIVE')
    lock.exec('begin exclusive')
  } catch (error) {
    lock.close()
    if ((error as { code?: string }).code?.startsWith('SQLITE_BUSY'))
      throw new Error(`Another server uses the data folder ${folder}. End that one first, or name another: --data DIR.`)
    throw error
  }
  shared.wiseSquareLock = lock
}
