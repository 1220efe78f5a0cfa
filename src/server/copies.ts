import { execFile } from 'node:child_process'
import { existsSync } from 'node:fs'
import { mkdir, readdir, rm, stat, statfs } from 'node:fs/promises'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { dayOf, outdatedCopies } from '../core/saving/copies'

/** How often it is looked whether a copy is due, in milliseconds. */
const LOOK = 3_600_000

/** What has to stay free on the disk beside a copy, in bytes. */
const FREE = 256 * 2 ** 20

export const DATABASE = 'wise-square.db'

const today = () => new Date().toISOString().slice(0, 10)

/** The copies of a data folder's database, latest first. */
export const copiesOf = async (folder: string): Promise<string[]> =>
  (await readdir(join(folder, 'copies')).catch(() => [] as string[]))
    .filter((name) => dayOf(name) !== null)
    .sort()
    .reverse()

/**
 * Copies the database of a folder, in a process of its own, and clears outdated copies. Gives the name of the copy, or why
 * there is none, in a sentence.
 */
export async function copyDatabase(folder: string, why = ''): Promise<{ name: string } | { problem: string }> {
  const name = `${today()}${why}.db`,
    copies = join(folder, 'copies'),
    from = join(folder, DATABASE)
  try {
    await mkdir(/* turbopackIgnore: true */ copies, { recursive: true })
    const { size } = await stat(/* turbopackIgnore: true */ from),
      { bavail, bsize } = await statfs(/* turbopackIgnore: true */ folder)
    if (bavail * bsize < size + FREE) return { problem: 'There is no room on the disk for a copy of the shelf.' }
    const script = join(/* turbopackIgnore: true */ process.cwd(), 'bin', 'copy.mjs')
    await promisify(execFile)(process.execPath, [script, from, join(copies, name)])
    for (const old of outdatedCopies(await readdir(copies), today())) await rm(join(copies, old), { force: true })
    return { name }
  } catch (error) {
    const { stderr, message } = error as { stderr?: string; message?: string }
    return { problem: `The shelf could not be copied: ${stderr?.trim() || message}` }
  }
}

/** Copies the database once on each day on which it is changed, now and while the server runs. */
export function copyDaily(folder: string): void {
  const look = async () => {
    const file = join(folder, DATABASE),
      copy = join(folder, 'copies', `${today()}.db`)
    if (existsSync(/* turbopackIgnore: true */ copy)) return
    const [last] = await copiesOf(folder)
    const changed = await Promise.all(
      [file, `${file}-wal`].map((one) =>
        stat(/* turbopackIgnore: true */ one).then(
          ({ mtimeMs }) => mtimeMs,
          () => 0,
        ),
      ),
    )
    const copied = last ? (await stat(join(folder, 'copies', last))).mtimeMs : 0
    if (Math.max(...changed) <= copied) return
    const made = await copyDatabase(folder)
    if ('problem' in made) process.stderr.write(`${made.problem}\n`)
  }
  void look().catch(() => undefined)
  setInterval(() => void look().catch(() => undefined), LOOK).unref()
}
