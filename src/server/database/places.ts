import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { dayOf } from './copy-retention'

/** The file of a data folder that holds the shelf. */
export const DATABASE = 'wise-square.db'

/** Endings of SQLite's files beside a database in use. The journal holds saves that are not in the database yet. */
export const JOURNAL = '-wal',
  INDEX = '-shm'

export const databaseIn = (folder: string): string => join(/* turbopackIgnore: true */ folder, DATABASE)

export const copiesIn = (folder: string): string => join(/* turbopackIgnore: true */ folder, 'copies')

/** The names in a folder; empty if there is no such folder. Throws if it cannot be read, since it may hold copies. */
function namesIn(folder: string): string[] {
  try {
    return readdirSync(/* turbopackIgnore: true */ folder)
  } catch (error) {
    if (['ENOENT', 'ENOTDIR'].includes((error as NodeJS.ErrnoException).code ?? '')) return []
    throw error
  }
}

/** The names of a data folder's copies, latest first. */
export const copiesOf = (folder: string): string[] =>
  namesIn(copiesIn(folder))
    .filter((name) => dayOf(name) !== null)
    .sort()
    .reverse()

const ASIDE = /^aside \d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2}(?: \d+)?$/

/** The names of the folders in which earlier restores put a shelf aside, latest first. */
export const asidesOf = (folder: string): string[] =>
  namesIn(folder)
    .filter((name) => ASIDE.test(name) && existsSync(databaseIn(join(folder, name))))
    .sort()
    .reverse()

/** An unused name of a folder that a shelf is put aside in. */
export function newAside(folder: string, now: Date): string {
  const name = `aside ${now.toISOString().slice(0, 19).replaceAll(':', '-')}`
  const taken = new Set(namesIn(folder))
  let free = name
  for (let i = 2; taken.has(free); i++) free = `${name} ${i}`
  return free
}
