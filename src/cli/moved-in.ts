import { existsSync } from 'node:fs'
import { lstat, readdir, readFile, rename, rm, rmdir, writeFile } from 'node:fs/promises'
import { basename, dirname, join, resolve } from 'node:path'
import { makeFolder } from '../server/make-folder'

/** What the last delivery wrote into a folder: its paths, with forward slashes. */
const MANIFEST = '.wise-square-delivery.json'

/** What a delivery is prepared in, beside its folder, by the process that does so. */
const besideOf = (folder: string, pid: number | string): string =>
  join(dirname(resolve(folder)), `.${basename(resolve(folder))}.delivery-${pid}`)

/** What changes in a folder, by paths. */
export type FolderChanges = {
  readonly added: readonly string[]
  readonly changed: readonly string[]
  readonly stale: readonly string[]
}

/** Whether a process is there. */
export const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return (error as { code?: string }).code === 'EPERM'
  }
}

/**
 * A delivery that is prepared beside a folder and moved in at its end, whole or not at all. What killed processes left
 * behind is cleared when the next one begins.
 */
export class MovedIn {
  private readonly beside: string
  private readonly paths: string[] = []
  private readonly added: string[] = []
  private readonly changed: string[] = []
  private readonly stop = (signal: NodeJS.Signals) => {
    void this.clear().finally(() => process.exit(signal === 'SIGINT' ? 130 : 143))
  }

  private constructor(private readonly folder: string) {
    this.beside = besideOf(folder, process.pid)
  }

  static async begin(folder: string): Promise<MovedIn> {
    const one = new MovedIn(folder)
    await clearLeft(folder)
    makeFolder(join(one.beside, 'new'))
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, one.stop)
    return one
  }

  /** Prepares a file, unless the folder already has the same bytes. */
  async add(path: string, bytes: Uint8Array): Promise<void> {
    this.paths.push(path)
    const there = await readFile(join(this.folder, path)).catch(() => null)
    if (there?.equals(bytes)) return
    ;(there ? this.changed : this.added).push(path)
    const file = join(this.beside, 'new', path)
    makeFolder(dirname(file))
    await writeFile(file, bytes)
  }

  /** What a delivery makes of the folder, by paths in order: new files, others, and those of an earlier one that it has no more. */
  async changes(): Promise<FolderChanges> {
    return { added: this.added.toSorted(), changed: this.changed.toSorted(), stale: await this.stale() }
  }

  private async stale(): Promise<string[]> {
    const now = new Set(this.paths)
    return (await this.lastPaths()).filter((path) => !now.has(path) && existsSync(join(this.folder, path))).toSorted()
  }

  /** Moves all in; gives the paths that an earlier delivery wrote and this one does not, removed where that is wanted. */
  async moveIn(clean: boolean): Promise<{ stale: string[] }> {
    await this.lookForObstacles()
    const stale = await this.stale()
    const now = new Set([...this.added, ...this.changed])
    const back: (() => Promise<void>)[] = []
    try {
      const made = makeFolder(this.folder)
      if (made) back.push(() => rmdir(made))
      for (const path of [...now, ...(clean ? stale : [])]) {
        const file = join(this.folder, path),
          aside = join(this.beside, 'old', path)
        const first = makeFolder(dirname(file))
        if (first && first !== made) back.push(() => rm(first, { recursive: true, force: true }))
        if (existsSync(file)) {
          makeFolder(dirname(aside))
          await rename(file, aside)
          back.push(() => rename(aside, file))
        }
        if (!now.has(path)) continue
        await rename(join(this.beside, 'new', path), file)
        back.push(() => rm(file, { force: true }))
      }
      const kept = clean ? this.paths : [...this.paths, ...stale]
      await writeFile(join(this.beside, MANIFEST), `${JSON.stringify({ files: kept.toSorted() }, null, 1)}\n`)
      await rename(join(this.beside, MANIFEST), join(this.folder, MANIFEST))
    } catch (error) {
      for (const undo of back.reverse()) await undo().catch(() => undefined)
      throw error
    }
    if (clean) await this.removeEmpty(stale)
    return { stale }
  }

  /** Removes the prepared files. */
  async clear(): Promise<void> {
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.off(signal, this.stop)
    await rm(this.beside, { recursive: true, force: true })
  }

  /** Throws a sentence where something else is in the place of a file, or of a folder on the way to one. */
  private async lookForObstacles(): Promise<void> {
    const folders = new Set<string>()
    for (const path of this.paths) {
      const found = await lstat(join(this.folder, path)).catch(() => null)
      if (found?.isDirectory())
        throw new Error(
          `${join(this.folder, path)} is a folder, and a file of that name is to be written. Nothing was changed.`,
        )
      for (let at = dirname(path); at !== '.'; at = dirname(at)) folders.add(at)
    }
    for (const at of ['.', ...folders]) {
      const found = await lstat(join(this.folder, at)).catch(() => null)
      if (found && !found.isDirectory() && !found.isSymbolicLink())
        throw new Error(
          `${join(this.folder, at)} is a file, and a folder of that name is to be written. Nothing was changed.`,
        )
    }
  }

  private async lastPaths(): Promise<string[]> {
    const text = await readFile(join(this.folder, MANIFEST), 'utf8').catch(() => '')
    try {
      const { files } = JSON.parse(text) as { files: unknown[] }
      // Whatever else may stand there leads nowhere out of the folder.
      return files.filter(
        (path): path is string =>
          typeof path === 'string' && !path.startsWith('/') && path.split('/').every((part) => !/^\.*$/.test(part)),
      )
    } catch {
      return []
    }
  }

  private async removeEmpty(removed: readonly string[]): Promise<void> {
    for (const path of removed)
      for (let at = dirname(path); at !== '.'; at = dirname(at))
        await rmdir(join(this.folder, at)).catch(() => undefined)
  }
}

/** Clears what processes that are gone prepared for a folder. */
async function clearLeft(folder: string): Promise<void> {
  const parent = dirname(resolve(folder)),
    begin = basename(besideOf(folder, ''))
  for (const name of await readdir(parent).catch(() => [] as string[])) {
    const pid = name.startsWith(begin) ? Number(name.slice(begin.length)) : NaN
    if (Number.isInteger(pid) && pid !== process.pid && !isAlive(pid))
      await rm(join(parent, name), { recursive: true, force: true })
  }
}
