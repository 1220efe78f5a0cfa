// Puts a shelf back to one of its copies. What is there is moved aside, never deleted.
import { randomBytes } from 'node:crypto'
import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync } from 'node:fs'
import { join } from 'node:path'
import Database from 'better-sqlite3'

const NAME = 'wise-square.db'

/** The copies in a data folder, latest first. */
export const copiesIn = (data) =>
  existsSync(join(data, 'copies'))
    ? readdirSync(join(data, 'copies'))
        .filter((name) => /^\d{4}-\d{2}-\d{2}.*\.db$/.test(name))
        .sort()
        .reverse()
    : []

/** Whether a file is a database that can be read through. */
function isSound(file) {
  try {
    const db = new Database(file, { readonly: true, fileMustExist: true })
    const [{ quick_check: said }] = db.pragma('quick_check')
    db.close()
    return said === 'ok'
  } catch {
    return false
  }
}

/** Restores the copy of a name, or the latest that can be read; gives its name. Throws a sentence. */
export function restore(data, name) {
  const copies = copiesIn(data)
  if (copies.length === 0) throw new Error(`There are no copies in ${join(data, 'copies')}.`)
  const wanted = name === undefined ? copies : copies.filter((one) => one === name || one.startsWith(name))
  const copy = wanted.find((one) => isSound(join(data, 'copies', one)))
  if (!copy)
    throw new Error(
      name === undefined
        ? 'None of the copies can be read.'
        : `There is no copy “${name}” that can be read; there are ${copies.join(', ')}.`,
    )
  const aside = join(data, `aside ${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}`)
  mkdirSync(aside, { recursive: true })
  for (const end of ['', '-wal', '-shm'])
    if (existsSync(join(data, NAME + end))) renameSync(join(data, NAME + end), join(aside, NAME + end))
  const next = join(data, `${NAME}.part`)
  copyFileSync(join(data, 'copies', copy), next)
  const db = new Database(next)
  // Windows that are open take none of its numbers for what they meant before.
  const has = db.prepare("select 1 from sqlite_master where name = 'settings'").get()
  if (has) db.prepare("update settings set value = ? where key = 'epoch'").run(randomBytes(8).toString('hex'))
  db.close()
  renameSync(next, join(data, NAME))
  return { copy, aside }
}
