import { statSync } from 'node:fs'
import { SqliteFile } from './sqlite'

/** A database has at least one page, and the smallest page has so many bytes. */
const PAGE = 512

/** Tables that every version of a shelf has. */
const TABLES = ['sets', 'icons', 'settings']

/**
 * The reason why a file is not a sound shelf, as the end of a sentence; null if it is sound. Runs SQLite's quick check. With
 * `tables: false` a database without tables is sound too.
 */
export function whyUnsound(path: string, { tables = true } = {}): string | null {
  try {
    const { size } = statSync(/* turbopackIgnore: true */ path)
    if (size === 0) return 'it is empty'
    if (size < PAGE) return 'it is cut off'
    const file = new SqliteFile(path, 'read')
    try {
      const said = String(file.pragma('quick_check'))
      if (said !== 'ok') return said.split('\n')[0]!
      if (!tables) return null
      const there = new Set(file.all<{ name: string }>('select name from sqlite_master').map(({ name }) => name))
      return TABLES.every((one) => there.has(one)) ? null : 'it holds no shelf'
    } finally {
      file.close()
    }
  } catch (error) {
    return error instanceof Error ? error.message : String(error)
  }
}
