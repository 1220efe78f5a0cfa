import { createHash } from 'node:crypto'
import { readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { iconSvg } from '../core/picture/drawn'
import { writeSetFile } from '../core/formats/set-file'
import type { IconSet } from '../core/set/set'
import { type DeliveredFile, zip } from '../core/targets/archive'
import { changelog, changesBetween, type Delivered } from '../core/targets/compare'
import { withFixedCodes } from '../core/targets/font/codes'
import { byPath } from '../core/targets/plan'
import { releaseRefusal } from '../core/targets/release-refusal'
import { releasedAs } from '../core/targets/released'
import { makeFolder } from '../server/make-folder'
import { replaceFile } from '../server/replace-file'
import { type Answer, limitOf, type Options, UsageError } from './command'
import { askedTargets, makeFiles, progressLine } from './made-files'
import { isAlive } from './moved-in'
import { readWhole } from './read-set'

/** The record that a release keeps beside its archive; the next release is compared with it. */
type Kept = Delivered & { readonly number: number; readonly note: string }

/**
 * Keeps a delivery as the next numbered release in a folder: its archive, set file, contents, and the changes in
 * changelog.md. The code points of the icons are written into the set file.
 */
export async function releaseCommand(files: readonly string[], options: Options): Promise<Answer> {
  const { to, note = '' } = options
  if (!to) throw new UsageError('Name the folder of the releases: --to DIR.')
  const read = await readWhole(files)
  const delivery = withFixedCodes(read.set),
    set: IconSet = { ...read.set, ...(delivery && { delivery }) }
  const targets = askedTargets(options, set)
  makeFolder(to)
  const letGo = await alone(to)
  try {
    return await released({ files, options, to, note, read, set, targets })
  } finally {
    await letGo()
  }
}

async function released({ files, options, to, note, read, set, targets }: Releasing): Promise<Answer> {
  const file = files[0]!
  const last = await lastRelease(to),
    number = (last?.number ?? 0) + 1
  const made: DeliveredFile[] = []
  const { problems, leftOut } = await makeFiles(
    set,
    targets,
    (one) => void made.push(one),
    progressLine(options, 'Drawing'),
    last && releasedAs(last.number, last.icons),
    limitOf(options),
  )
  const refusal = releaseRefusal(problems, leftOut)
  if (refusal !== null) throw new Error(refusal)
  const delivered = deliveredOf(set, made)
  const changes = changesBetween(last ?? { icons: [], files: [] }, delivered)
  const text = changelog(`Release ${number}`, note, changes)
  const kept: Kept = { number, note, ...delivered }
  await replaceFile(join(to, `${number}.zip`), zip(made.sort(byPath)))
  await replaceFile(join(to, `${number}.wisesquare.json`), writeSetFile(set, read.pictures))
  const before = await readFile(join(to, 'changelog.md'), 'utf8').catch(() => '')
  await replaceFile(join(to, 'changelog.md'), `${text}${before && `\n${before}`}`)
  await replaceFile(file, writeSetFile(set, read.pictures))
  // What makes it a release comes last: a release that was cut off is none.
  await replaceFile(join(to, `${number}.json`), `${JSON.stringify(kept)}\n`)
  const gone = changes.files.removed.length
  return {
    lines: options.quiet
      ? []
      : [
          ...(gone > 0 && last ? [`warning: ${gone} paths of release ${last.number} are no more.`] : []),
          text.trimEnd(),
        ],
    value: { number, files: made.length, changes: { ...changes, ...namesIn(changes) } },
  }
}

type Releasing = {
  readonly files: readonly string[]
  readonly options: Options
  readonly to: string
  readonly note: string
  readonly read: Awaited<ReturnType<typeof readWhole>>
  readonly set: IconSet
  readonly targets: readonly string[]
}

/** The icons of changes by their names alone. */
export const namesIn = ({ added, removed, renamed, changed }: ReturnType<typeof changesBetween>) => ({
  added: added.map(({ name }) => name),
  removed: removed.map(({ name }) => name),
  renamed: renamed.map((one) => [one.before.name, one.after.name]),
  changed: changed.map(({ after }) => after.name),
})

/** The icons and files of a delivery. */
export const deliveredOf = (set: IconSet, files: readonly DeliveredFile[]): Delivered => ({
  icons: set.icons.map((icon) => ({ id: icon.id, name: icon.name, svg: iconSvg(icon, set.rules, 'light') })),
  files: [...files].sort(byPath).map(({ path, bytes }) => ({
    path,
    bytes: bytes.length,
    hash: createHash('sha256').update(bytes).digest('hex'),
  })),
})

/** The last release in a folder; none where there is no such folder. */
export async function lastRelease(folder: string): Promise<Kept | null> {
  const numbers = (await readdir(folder).catch(() => []))
    .flatMap((name) => /^(\d+)\.json$/.exec(name)?.[1] ?? [])
    .map(Number)
  const last = Math.max(0, ...numbers)
  return last === 0 ? null : (JSON.parse(await readFile(join(folder, `${last}.json`), 'utf8')) as Kept)
}

/** Keeps other releases out of a folder until this one is made; those of processes that are gone keep nobody out. */
async function alone(folder: string): Promise<() => Promise<void>> {
  const lock = join(folder, '.releasing')
  const take = () => writeFile(lock, String(process.pid), { flag: 'wx' })
  try {
    await take()
  } catch (error) {
    if ((error as { code?: string }).code !== 'EEXIST') throw error
    const pid = Number(await readFile(lock, 'utf8').catch(() => ''))
    if (pid > 0 && isAlive(pid))
      throw new Error(`Another release is being made in ${folder}. Try again when it is done.`)
    await rm(lock, { force: true })
    for (const name of await readdir(folder)) if (name.endsWith('.part')) await rm(join(folder, name), { force: true })
    await take()
  }
  return () => rm(lock, { force: true })
}
