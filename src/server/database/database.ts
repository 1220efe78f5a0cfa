import { accessSync, constants, existsSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { Kysely } from 'kysely'
import { makeFolder } from '../make-folder'
import { copyDatabase } from './copies'
import { AtomicDialect } from './dialect'
import { migrate, pendingMigrations } from './migrations'
import { asidesOf, copiesOf, databaseIn, JOURNAL } from './places'
import type { Tables } from './schema'
import { whyUnsound } from './sound'
import { SqliteFile } from './sqlite'

export type Db = Kysely<Tables>

/** Answers to the questions that opening a folder may ask. */
export type Opening = {
  /** Begins a new shelf if the database is missing, even if there are copies of an earlier one. */
  readonly fresh?: boolean
  /** Migrates a shelf of an earlier version even if it cannot be copied first. */
  readonly withoutCopy?: boolean
}

/**
 * Opens (and makes, where needed) the database in a folder and brings it up to date. `:memory:` is a database of its
 * own. Throws a sentence when the folder will not do.
 */
export async function openDatabase(folder: string, { fresh = false, withoutCopy = false }: Opening = {}): Promise<Db> {
  if (folder === ':memory:') return opened(new SqliteFile(folder), async () => undefined)
  usableOrThrow(folder)
  thereOrThrow(folder, fresh)
  soundOrThrow(folder)
  return opened(new SqliteFile(databaseIn(folder)), async (next) => {
    const copy = await copyDatabase(folder, ` before ${next}`)
    if ('problem' in copy && !withoutCopy)
      throw new Error(
        `The shelf in ${folder} is of an earlier version; it is left as it is. ${copy.problem} Start with --without-copy to change it all the same.`,
      )
  })
}

/** Migrates an opened database. `keep` copies it first if it is of an earlier version; it gets the name of the next migration. */
async function opened(file: SqliteFile, keep: (next: string) => Promise<void>): Promise<Db> {
  const db = new Kysely<Tables>({ dialect: new AtomicDialect(file) })
  try {
    file.pragma('busy_timeout = 5000')
    file.pragma('journal_mode = WAL')
    // FULL: an acknowledged save survives a power cut, not only a killed process.
    file.pragma('synchronous = FULL')
    file.pragma('foreign_keys = ON')
    const pending = await pendingMigrations(db)
    if (pending.isOld) await keep(pending.next)
    await migrate(db)
    return db
  } catch (error) {
    file.close()
    throw error
  }
}

function usableOrThrow(folder: string): void {
  try {
    makeFolder(folder)
    accessSync(/* turbopackIgnore: true */ folder, constants.W_OK | constants.X_OK)
  } catch (error) {
    throw new Error(
      `The data folder ${folder} cannot be used: ${error instanceof Error ? error.message : String(error)}`,
    )
  }
}

/** The names of a folder's copies and of shelves put aside, separated by commas; empty if there are none. */
const keptIn = (folder: string): string => [...copiesOf(folder), ...asidesOf(folder)].join(', ')

/** Throws a question if the database is missing and copies of it exist. With `fresh` a new one may begin. */
function thereOrThrow(folder: string, fresh: boolean): void {
  const path = databaseIn(folder)
  if (existsSync(/* turbopackIgnore: true */ path)) return
  const kept = keptIn(folder)
  if (kept !== '' && !fresh)
    throw new Error(
      `There is no database in ${folder}, but there was one: ${kept}. Start with --restore to go back to the latest copy, with --restore --copy NAME to another of these, or with --fresh to begin a new shelf beside them.`,
    )
  if ((statSync(/* turbopackIgnore: true */ path + JOURNAL, { throwIfNoEntry: false })?.size ?? 0) > 0)
    throw new Error(
      `There is no ${path}, but a journal of it, ${path}${JOURNAL}. Put the database back beside it, or move it away.`,
    )
}

/** Throws a sentence if the database of a folder is damaged. A damaged database is never written to. */
function soundOrThrow(folder: string): void {
  const path = databaseIn(folder)
  if (!existsSync(/* turbopackIgnore: true */ path)) return
  const kept = keptIn(folder)
  // A server that was killed while it began leaves an empty file or one without tables; of a shelf that was there for a
  // day there is a copy.
  const hasBegun = kept !== ''
  if (!hasBegun && statSync(/* turbopackIgnore: true */ path).size === 0) return
  const unsound = whyUnsound(path, { tables: hasBegun })
  if (unsound === null) return
  throw new Error(
    `The database ${path} is damaged (${unsound}); it is left as it is. ${
      hasBegun
        ? `Start with --restore to go back to the latest copy that can be read, or with --restore --copy NAME to one of ${kept}.`
        : 'There is no copy of it yet.'
    }`,
  )
}

const shared = globalThis as { wiseSquareDb?: Promise<Db> }

/** The folder of the server's data, which `WISE_SQUARE_DATA` names. */
export const dataFolder = (): string =>
  process.env.WISE_SQUARE_DATA ?? join(/* turbopackIgnore: true */ process.cwd(), 'data')

/** The server's one database. */
export function database(): Promise<Db> {
  shared.wiseSquareDb ??= openDatabase(dataFolder(), {
    fresh: process.env.WISE_SQUARE_FRESH === '1',
    withoutCopy: process.env.WISE_SQUARE_WITHOUT_COPY === '1',
  })
  return shared.wiseSquareDb
}
