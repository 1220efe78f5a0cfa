import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { dayOf } from './copy-retention'

/** The file of a data folder that holds the shelf. */
export const DATABASE = 'wise-square.db'

/** What SQLite keeps beside a database while it is in use: the journal holds saves that are not in the database yet. */
export const JOURNAL = '-wal',
  INDEX = '-shm'

export const databaseIn = (folder: string): string => join(/* turbopackIgnore: true */ folder, DATABASE)

export const copiesIn = (folder: string): string => join(/* turbopackIgnore: true */ folder, 'copies')

/** The names in a folder; none where there is no such folder. Throws where it cannot be read: it may hold copies. */
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

/** A name for a folder to put a shelf aside in, at a time, that is not taken yet. */
export function newAside(folder: string, now: Date): string {
  const name = `aside ${now.toISOString().slice(0, 19).replaceAll(':', '-')}`
  const taken = new Set(namesIn(folder))
  let free = name
  for (let i = 2; taken.has(free); i++) free = `${name} ${i}`
  return free
}
