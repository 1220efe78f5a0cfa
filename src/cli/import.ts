import { fileError, type FileProblem } from '../core/findings/problem'
import { lstat, readdir, readFile, realpath, stat } from 'node:fs/promises'
import { basename, join, relative, resolve, sep } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { type Gathered, gatheredSet } from '../core/formats/import/gather'
import { iconsInto } from '../core/formats/import/into'
import { STYLES, type Style } from '../core/formats/import/names'
import { fontFlavour } from '../core/formats/import/font'
import { isFailed, readIcon, type ReadIcon } from '../core/formats/import/read-icon'
import { type Topic, TOPICS } from '../core/formats/import/propose'
import { isReadable } from '../core/formats/import/readable'
import { MOST, type Source } from '../core/formats/import/reading'
import { sourcesIn } from '../core/formats/import/sources'
import { type Pictures, writeSetFile } from '../core/formats/set-file'
import type { IconSet } from '../core/set/set'
import { replaceFile } from '../server/replace-file'
import { type Answer, type Options, UsageError } from './command'
import { readWhole } from './read-set'

/** How many files are looked at in all, and how many bytes one may have. */
const FILES = 50_000,
  BYTES = 4 * MOST.characters

/** Reads SVG files, those of whole folders too, into a set file: a new one, or one that is there. */
export async function importCommand(files: readonly string[], options: Options): Promise<Answer> {
  const { out, into, name, style, rules = 'proposed' } = options
  if (files.length === 0)
    throw new UsageError('Name files or folders: import FILES-OR-FOLDERS… --out SET.wisesquare.json.')
  if (!out) throw new UsageError('Name the file to write: --out FILE.')
  if (style !== undefined && style !== 'plain' && !STYLES.some((one) => one === style))
    throw new UsageError(`There is no style “${style}”; there are plain, ${STYLES.join(', ')}.`)
  const how = options.as ?? 'live'
  if (how !== 'live' && how !== 'drawn') throw new UsageError('--as is “live” or “drawn”.')
  const left = topicsIn(options.leave)
  const found = await filesIn(files)
  const read: (ReadIcon | FileProblem)[] = []
  for (const { file, path } of found)
    for (const one of await sourcesOf(file, path)) read.push('sentence' in one ? one : readIcon(one, how))
  const made = into
    ? await added(read, await readWhole([into]))
    : rules !== 'proposed'
      ? await added(read, await emptyUnder(rules, name ?? nameFor(files[0]!)))
      : gatheredSet(read, {
          name: name ?? nameFor(files[0]!),
          left,
          parts: options.parts === true,
          ...(style !== undefined && { style: style as Style | 'plain' }),
        })
  if (!made || made.set.icons.length === 0)
    throw new Error(
      found.length === 0
        ? 'The named files and folders hold no SVG file, vector drawable or font.'
        : `Nothing could be read: ${saidOf(read.filter(isFailed)[0])}`,
    )
  await replaceFile(out, writeSetFile(made.set, 'pictures' in made ? (made.pictures as Pictures) : {}))
  return answered(made, out, options)
}

const saidOf = (one: FileProblem | undefined): string => (one ? `${one.path}: ${one.sentence}` : 'there is nothing.')

const nameFor = (path: string): string => basename(resolve(path)).replace(/\.[^.]*$/, '') || 'Icons'

/** The proposed rules to leave out, by topic. */
function topicsIn(words = ''): ReadonlySet<Topic> {
  const asked = words.split(',').filter((word) => word !== '')
  const known = TOPICS.filter((topic) => topic !== 'grid' && topic !== 'parts')
  const wrong = asked.find((word) => !known.some((topic) => topic === word))
  if (wrong !== undefined) throw new UsageError(`There is no rule “${wrong}” to leave; there are ${known.join(', ')}.`)
  return new Set(asked as Topic[])
}

type Whole = Awaited<ReturnType<typeof readWhole>>

/** A set without icons under the rules of another. */
async function emptyUnder(file: string, name: string): Promise<Whole> {
  const { set } = await readWhole([file])
  const { kind, rules } = set
  return { set: { name, kind, rules, icons: [] }, pictures: {} }
}

async function added(read: readonly (ReadIcon | FileProblem)[], { set, pictures }: Whole) {
  const known = new Set(set.icons.map(({ id }) => id))
  let count = 0
  const newId = () => {
    let id
    do id = `r${++count}`
    while (known.has(id))
    return id
  }
  const { icons, remarks, failed } = iconsInto(
    read.filter((one): one is ReadIcon => !isFailed(one)),
    set,
    newId,
  )
  const whole: IconSet = { ...set, icons: [...set.icons, ...icons] }
  return {
    set: whole,
    pictures,
    remarks,
    failed: [...read.filter(isFailed), ...failed],
    evidence: [],
    styles: [],
    added: icons.length,
  }
}

function answered(
  made: Pick<Gathered, 'set' | 'evidence' | 'styles'> & {
    remarks: readonly FileProblem[]
    failed: readonly FileProblem[]
    added?: number
  },
  out: string,
  { quiet }: Options,
): Answer {
  const { set, evidence, remarks, failed, styles } = made
  const count = made.added ?? set.icons.length
  const others = (list: (typeof evidence)[number]['others']) =>
    list.length > 0 ? `; ${list.map(({ what, count: times }) => `${what} ${times} ×`).join(', ')}` : ''
  return {
    lines: quiet
      ? []
      : [
          ...evidence.map((one) => `${one.what}: ${one.count} of ${one.of}${others(one.others)}`),
          ...styles
            .slice(1)
            .map((one) => `in another style, left out: ${one.style}, ${one.count} icons (--style ${one.style})`),
          ...remarks.map(({ icon, path, sentence }) => `${icon} (${path}): ${sentence}`),
          ...failed.map(({ path, sentence }) => `${path} was not read: ${sentence}`),
          `${count === 1 ? 'one icon' : `${count} icons`} read into “${set.name}”, written to ${out}.`,
        ],
    value: { set: set.name, out, icons: count, evidence, styles, remarks, failed },
  }
}

/** The SVG files below the given names, with their relative paths, in order. Links out of a folder are not followed. */
async function filesIn(names: readonly string[]): Promise<{ file: string; path: string }[]> {
  const all: { file: string; path: string }[] = []
  for (const name of names) {
    const root = await realpath(name)
    const visit = async (at: string): Promise<void> => {
      for (const one of (await readdir(at, { withFileTypes: true })).sort((a, b) => (a.name < b.name ? -1 : 1))) {
        if (one.name.startsWith('.')) continue
        const file = join(at, one.name)
        if (one.isSymbolicLink()) {
          const real = await realpath(file).catch(() => null)
          if (real === null || !(real + sep).startsWith(root + sep) || !(await lstat(real)).isFile()) continue
        }
        if (one.isDirectory()) await visit(file)
        else if (isReadable(one.name)) all.push({ file, path: relative(root, file).split(sep).join('/') })
        if (all.length > FILES) throw new Error(`There are more than ${FILES} files in “${name}”.`)
      }
    }
    if ((await stat(root)).isDirectory()) await visit(root)
    else all.push({ file: root, path: basename(root) })
  }
  return all
}

/** What a file holds to be read: itself, or the glyphs of a font. */
async function sourcesOf(file: string, path: string): Promise<readonly (Source | FileProblem)[]> {
  if (!isReadable(path)) return [fileError(path, 'It is not an SVG file, a vector drawable or a font.')]
  const { size } = await stat(file)
  if (size > BYTES) return [fileError(path, `It is larger than ${BYTES / 1e6} MB.`)]
  const bytes = await readFile(file)
  try {
    const plain = bytes[0] === 0x1f && bytes[1] === 0x8b ? gunzipSync(bytes, { maxOutputLength: BYTES }) : bytes
    if (fontFlavour(plain) !== 'woff2') return sourcesIn(path, plain)
    const { decompress } = await import('wawoff2')
    return sourcesIn(path, new Uint8Array(await decompress(plain)))
  } catch {
    return [fileError(path, 'Its compression is broken.')]
  }
}
