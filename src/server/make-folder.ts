import { mkdirSync, type Stats, statSync } from 'node:fs'
import { dirname, resolve } from 'node:path'

/** The file or folder at a path; undefined if there is none. */
function entryAt(path: string): Stats | undefined {
  try {
    return statSync(/* turbopackIgnore: true */ path, { throwIfNoEntry: false })
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOTDIR') return undefined
    throw error
  }
}

/**
 * Creates a folder and its missing parents; returns the outermost folder that was created, null if none was. Throws the
 * system's error with the path that failed. (Node.js's recursive `mkdir` never returns below `/proc`.)
 */
export function makeFolder(folder: string): string | null {
  const missing: string[] = []
  let at = resolve(folder)
  for (;;) {
    const found = entryAt(at)
    if (found?.isDirectory()) break
    if (found) throw Object.assign(new Error(`${at} is no folder.`), { code: 'ENOTDIR', path: at })
    missing.push(at)
    at = dirname(at)
  }
  for (const path of missing.toReversed())
    try {
      mkdirSync(/* turbopackIgnore: true */ path)
    } catch (error) {
      // Another process may have made it meanwhile.
      if (!entryAt(path)?.isDirectory()) throw error
    }
  return missing.at(-1) ?? null
}
