import { closeSync, copyFileSync, fsyncSync, linkSync, openSync, renameSync, rmSync } from 'node:fs'
import { randomBytes } from 'node:crypto'
import { makeFolder } from '../make-folder'
import { SqliteFile } from './sqlite'

/** The file operations of copying and restoring, so that a test can make each of them fail. All throw the system's or SQLite's error. */
export const disk = {
  makeFolder,
  rename: (from: string, to: string): void => renameSync(from, to),
  copy: (from: string, to: string): void => copyFileSync(from, to),
  /** A second name for a file; on file systems without hard links, a copy. */
  link(from: string, to: string): void {
    try {
      linkSync(from, to)
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'EEXIST') throw error
      copyFileSync(from, to)
      this.sync(to)
    }
  },
  remove: (path: string): void => rmSync(path, { force: true }),
  /** Removes a folder with all that is in it. */
  removeFolder: (path: string): void => rmSync(path, { recursive: true, force: true }),
  /** Has a file, or the names in a folder, written to the disk. */
  sync(path: string): void {
    const handle = openSync(path, 'r')
    try {
      fsyncSync(handle)
    } finally {
      closeSync(handle)
    }
  },
  /** Writes a snapshot of a database to a new, compact file (SQLite, VACUUM INTO). */
  vacuum(from: string, to: string): void {
    const file = new SqliteFile(from, 'read')
    try {
      file.exec(`vacuum into '${to.replaceAll("'", "''")}'`)
    } finally {
      file.close()
    }
  },
  /**
   * Makes one file of a shelf and its journal, and begins a new epoch in it, so that open windows take none of its
   * revisions for those they know. Throws where the file is no shelf.
   */
  settle(path: string): void {
    const file = new SqliteFile(path, 'write')
    try {
      file.exec('pragma journal_mode = DELETE; pragma synchronous = FULL')
      file.exec(`update settings set value = '${randomBytes(8).toString('hex')}' where key = 'epoch'`)
    } finally {
      file.close()
    }
  },
}

export type Disk = typeof disk

/** Removes temporary files after a failure. Ignores errors, so that the first failure is reported. */
export function discard(paths: readonly string[], on: Disk): void {
  for (const path of paths)
    try {
      on.remove(path)
    } catch {
      // The next copy or restore removes it.
    }
}
