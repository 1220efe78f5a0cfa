import { execFile } from 'node:child_process'
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs'
import { statfs } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { promisify } from 'node:util'
import { makeFolder } from '../make-folder'
import { outdatedCopies } from './copy-retention'
import { disk, type Disk, discard } from './disk'
import { copiesIn, copiesOf, databaseIn, JOURNAL } from './places'
import { whyUnsound } from './sound'

/** How often it is looked whether a copy is due, in milliseconds. */
const LOOK = 3_600_000

/** What has to stay free on the disk beside a copy, in bytes. */
const FREE = 256 * 2 ** 20

const today = () => new Date().toISOString().slice(0, 10)

/**
 * Copies a database that may be in use. Writes a temporary file, checks it, flushes it to the disk and renames it. Throws if
 * a step fails; an earlier copy of that name is then unchanged.
 */
export function writeCopy(from: string, to: string, on: Disk = disk): void {
  const part = `${to}.part`
  try {
    on.remove(part)
    on.vacuum(from, part)
    const unsound = whyUnsound(part)
    if (unsound !== null) throw new Error(`the copy cannot be read (${unsound})`)
    on.sync(part)
    on.rename(part, to)
    on.sync(dirname(to))
  } catch (error) {
    discard([part], on)
    throw error
  }
}

/** Runs a program, and kills it if this process ends first: nothing writes to a folder after its server has ended. */
async function runWithin(program: string, args: readonly string[]): Promise<void> {
  const running = promisify(execFile)(process.execPath, [program, ...args])
  const kill = () => running.child.kill('SIGKILL')
  process.once('exit', kill)
  try {
    await running
  } finally {
    process.off('exit', kill)
  }
}

/**
 * Copies the database of a folder, in a process of its own, and clears outdated copies. Gives the name of the copy, or why
 * there is none, in a sentence.
 */
export async function copyDatabase(folder: string, why = ''): Promise<{ name: string } | { problem: string }> {
  const name = `${today()}${why}.db`,
    copies = copiesIn(folder),
    from = databaseIn(folder)
  try {
    makeFolder(copies)
    const { size } = statSync(/* turbopackIgnore: true */ from),
      { bavail, bsize } = await statfs(/* turbopackIgnore: true */ folder)
    if (bavail * bsize < size + FREE) return { problem: 'There is no room on the disk for a copy of the shelf.' }
    const program = join(/* turbopackIgnore: true */ process.cwd(), 'build', 'database', 'command.js')
    await runWithin(program, ['copy', from, join(copies, name)])
    for (const old of outdatedCopies(readdirSync(copies), today())) rmSync(join(copies, old), { force: true })
    return { name }
  } catch (error) {
    const { stderr, message } = error as { stderr?: string; message?: string }
    return { problem: `The shelf could not be copied: ${stderr?.trim() || message}` }
  }
}

/** Copies the database once on each day on which it is changed, now and while the server runs. */
export function copyDaily(folder: string): void {
  const look = async () => {
    const file = databaseIn(folder),
      copies = copiesIn(folder)
    if (existsSync(join(/* turbopackIgnore: true */ copies, `${today()}.db`))) return
    const [last] = copiesOf(folder)
    const changedAt = (path: string) =>
      statSync(/* turbopackIgnore: true */ path, { throwIfNoEntry: false })?.mtimeMs ?? 0
    const copied = last ? changedAt(join(copies, last)) : 0
    if (Math.max(changedAt(file), changedAt(file + JOURNAL)) <= copied) return
    const made = await copyDatabase(folder)
    if ('problem' in made) process.stderr.write(`${made.problem}\n`)
  }
  void look().catch(() => undefined)
  setInterval(() => void look().catch(() => undefined), LOOK).unref()
}
