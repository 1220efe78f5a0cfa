import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { discard, disk, type Disk } from './disk'
import { holdFolder } from './lock'
import { asidesOf, copiesIn, copiesOf, databaseIn, DATABASE, INDEX, JOURNAL, newAside } from './places'
import { whyUnsound } from './sound'

/** The name of the restored copy, and the folder that keeps the replaced database; null if there was none. */
type Restored = { readonly from: string; readonly aside: string | null }

/**
 * Restores the database of a folder from a copy, or from a folder that an earlier restore put aside. `name` is its name or
 * the beginning of it; default: the latest sound copy. The current database is moved aside, never deleted. Throws a
 * sentence; the folder is then unchanged.
 */
export function restore(folder: string, name?: string, on: Disk = disk): Restored {
  const lock = holdFolder(folder),
    part = `${databaseIn(folder)}.part`
  try {
    const from = prepare(folder, name, part, on)
    return { from, aside: swap(folder, part, on) }
  } catch (error) {
    discard(filesOf(part), on)
    throw error
  } finally {
    lock.close()
  }
}

/** The files that a database may have. */
const filesOf = (path: string): string[] => ['', JOURNAL, INDEX].map((end) => path + end)

/** Writes the restored database, checked, to a temporary file beside the current one; returns the name of its source. */
function prepare(folder: string, name: string | undefined, part: string, on: Disk): string {
  const copies = copiesOf(folder),
    asides = asidesOf(folder)
  if (copies.length + asides.length === 0) throw new Error(`There are no copies in ${copiesIn(folder)}.`)
  const wanted = name === undefined ? copies : [...copies, ...asides].filter((one) => one.startsWith(name))
  const exact = wanted.filter((one) => one === name)
  for (const one of exact.length > 0 ? exact : wanted) {
    const source = asides.includes(one) ? databaseIn(join(folder, one)) : join(copiesIn(folder), one)
    for (const file of filesOf(part)) on.remove(file)
    for (const end of ['', JOURNAL]) if (existsSync(source + end)) on.copy(source + end, part + end)
    if (!isSettled(part, on)) continue
    on.sync(part)
    return one
  }
  const there = [...copies, ...asides].join(', ')
  throw new Error(
    name === undefined
      ? `None of the copies can be read. Name one of ${there}: --restore --copy NAME.`
      : `There is no copy “${name}” that can be read; there are ${there}.`,
  )
}

/** Settles a copied shelf; false if it is damaged. Throws if the disk fails. */
function isSettled(part: string, on: Disk): boolean {
  try {
    on.settle(part)
  } catch (error) {
    if (/^SQLITE_(?:FULL|IOERR)/.test((error as { code?: string }).code ?? '')) throw error
    return false
  }
  return whyUnsound(part) === null
}

/**
 * Replaces the database by a prepared file. Links the current database and its journal aside first, so that both survive an
 * interruption at any step. An interruption after they were removed leaves a folder without a database; opening asks then.
 */
function swap(folder: string, part: string, on: Disk): string | null {
  const database = databaseIn(folder)
  const there = ['', JOURNAL].filter((end) => existsSync(database + end))
  const aside = there.length > 0 ? join(folder, newAside(folder, new Date())) : null
  const keep = (end: string) => join(aside!, DATABASE + end)
  let isTaken = false
  try {
    if (aside !== null) {
      on.makeFolder(aside)
      for (const end of there) on.link(database + end, keep(end))
      on.sync(aside)
      on.sync(folder)
      isTaken = true
      for (const file of filesOf(database)) on.remove(file)
      on.sync(folder)
    }
    on.rename(part, database)
    on.sync(folder)
    return aside
  } catch (error) {
    if (isTaken) {
      // The journal first: without it the database would be an earlier state.
      for (const end of there.toReversed()) {
        on.remove(database + end)
        on.link(keep(end), database + end)
      }
      on.sync(folder)
    }
    if (aside !== null) on.removeFolder(aside)
    throw error
  }
}
