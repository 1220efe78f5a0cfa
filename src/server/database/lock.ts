import { join } from 'node:path'
import { makeFolder } from '../make-folder'
import { SqliteFile } from './sqlite'

/** The lock file of a data folder. */
const LOCK = 'server.lock'

/**
 * Locks a data folder for this process. The lock lasts until the returned connection is closed or the process ends. Throws a
 * sentence if another process holds it, or if the folder cannot be used.
 */
export function holdFolder(folder: string): SqliteFile {
  const path = join(/* turbopackIgnore: true */ folder, LOCK)
  let lock: SqliteFile | null = null
  try {
    makeFolder(folder)
    lock = new SqliteFile(path)
    lock.exec('begin exclusive')
    return lock
  } catch (error) {
    lock?.close()
    const { code, message } = error as NodeJS.ErrnoException
    if (code?.startsWith('SQLITE_BUSY'))
      throw new Error(`Another server uses the data folder ${folder}. End that one first, or name another: --data DIR.`)
    throw new Error(`The data folder ${folder} cannot be used: ${reasonOf(path, code, message)}`)
  }
}

const reasonOf = (path: string, code = '', message: string): string => {
  if (code.startsWith('SQLITE_READONLY') || code === 'EROFS') return `nothing can be written to ${path}.`
  if (code.startsWith('SQLITE_NOTADB')) return `${path} is not the lock of a server. Move it away.`
  return message
}
