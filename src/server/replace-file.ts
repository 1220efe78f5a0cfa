import { chmod, open, realpath, rename, rm, stat, writeFile } from 'node:fs/promises'
import { dirname } from 'node:path'

/** What replacing a file does to the disk, one step each, so that a test can make every one of them fail. */
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
 * Writes a file whole or not at all: beside its place, to the disk, and only then under its name. Where a step fails the
 * file that was there is as it was, byte for byte, and the system's error is thrown. Links are followed; what is no plain
 * file (a terminal, a pipe) is written to as it is.
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
    // What is said is about the file that was asked for.
    throw Object.assign(error as Error, { path, dest: undefined })
  }
  await on.syncFolder(dirname(file))
}
