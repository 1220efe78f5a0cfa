import { chmod, open, realpath, rename, rm, stat, writeFile } from 'node:fs/promises'
import { dirname } from 'node:path'

/** The steps of replacing a file, so that a test can make each of them fail. */
export const steps = {
  async write(path: string, content: string | Uint8Array): Promise<void> {
    const file = await open(path, 'w')
    try {
      await file.writeFile(content)
      await file.sync()
    } finally {
      await file.close()
    }
  },
  rename,
  /** Has the names in a folder written to the disk. */
  async syncFolder(path: string): Promise<void> {
    const folder = await open(path, 'r')
    try {
      await folder.sync()
    } finally {
      await folder.close()
    }
  },
}

export type Steps = typeof steps

/**
 * Replaces a file atomically: writes a temporary file beside it, flushes it to the disk and renames it. Throws the system's
 * error if a step fails; the old file is then unchanged, byte for byte. Follows links. Terminals and pipes are written to
 * directly.
 */
export async function replaceFile(path: string, content: string | Uint8Array, on: Steps = steps): Promise<void> {
  const there = await stat(path).catch(() => null)
  if (there && !there.isFile()) return writeFile(path, content)
  const file = there ? await realpath(path) : path,
    part = `${file}.${process.pid}.part`
  try {
    await on.write(part, content)
    if (there) await chmod(part, there.mode)
    await on.rename(part, file)
  } catch (error) {
    await rm(part, { force: true }).catch(() => undefined)
    // The error names the requested file, not the temporary one.
    throw Object.assign(error as Error, { path, dest: undefined })
  }
  await on.syncFolder(dirname(file))
}
