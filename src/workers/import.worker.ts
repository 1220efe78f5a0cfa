import { fileError, type FileProblem } from '../core/findings/problem'
import { gunzipSync } from 'fflate'
import { fontFlavour } from '../core/formats/import/font'
import { gatheredSet, type Gathered, sought } from '../core/formats/import/gather'
import type { Style } from '../core/formats/import/names'
import type { Understanding } from '../core/formats/import/objects'
import { iconsInto } from '../core/formats/import/into'
import type { Topic } from '../core/formats/import/propose'
import { isFailed, readIcon, type ReadIcon } from '../core/formats/import/read-icon'
import { MOST, type Source } from '../core/formats/import/reading'
import { sourcesIn } from '../core/formats/import/sources'
import { writeSetFile } from '../core/formats/set-file'
import { drawingPicture } from '../core/picture/drawn'
import { pictureText } from '../core/picture/stored'
import type { Rules } from '../core/rules/rules'
import { rulesForGrid } from '../core/rules/rules-for-grid'
import { type IconSet, masterFor } from '../core/set/set'
import { boundDrawing } from './bound-drawing'
import { serve } from './serve'
import { understandAll } from './understanders'

/** A file with its path in the folder it was chosen from. */
export type ChosenFile = { readonly path: string; readonly file: Blob }

/** Choices for the set that is made of the files. */
export type Choice = {
  readonly name: string
  readonly style: Style | 'plain' | null
  readonly how: Understanding
  readonly without: readonly string[]
  /** The proposed rules that are not taken. */
  readonly left: readonly Topic[]
  /** The paths of the files that are taken over the other way. */
  readonly otherwise: readonly string[]
}

/** An icon of the set to come: its name, its files, its pictures, or why it has none. */
export type ComingIcon = {
  readonly name: string
  readonly paths: readonly string[]
  readonly picture: string | null
}

/** The set to come without its drawings: what a person is shown before anything is stored. */
export type Coming = Pick<Gathered, 'evidence' | 'remarks' | 'failed' | 'styles'> & {
  readonly icons: readonly ComingIcon[]
  readonly grid: number
}

/** How many files are read, or drawings understood, after so many milliseconds of that. */
type Told = { readonly what: 'read' | 'understood'; readonly done: number; readonly of: number; readonly ms: number }
type Tell = (told: Told) => void

boundDrawing()

const sources: (Source | FileProblem)[] = []
const read = new Map<Understanding, readonly (ReadIcon | FileProblem)[]>()
/** The few that were taken over the other way, by where they stand among all. */
const others = { live: new Map<number, ReadIcon | FileProblem>(), drawn: new Map<number, ReadIcon | FileProblem>() }

/** How long nothing is told between two reports, in milliseconds. */
const SELDOM = 250

const calls = {
  /** Some more files, which are read when something is asked of them. */
  async files(files: readonly ChosenFile[]): Promise<void> {
    for (const one of await sourcesOf(files)) sources.push(one)
    read.clear()
    others.live.clear()
    others.drawn.clear()
  },

  /** What the files would become; null where nothing of them can be read. */
  async gather(choice: Choice, tell: Tell): Promise<{ coming: Coming | null; failed: readonly FileProblem[] }> {
    const all = chosen(choice, tell)
    const made = await gathered(all, choice, tell)
    return { coming: made && comingOf(made), failed: made?.failed ?? all.filter(isFailed) }
  },

  /** The set as a set file. */
  async write(choice: Choice, tell: Tell): Promise<Blob> {
    const made = await gathered(chosen(choice, tell), choice, tell)
    if (!made) throw new Error('There is no icon to make a set of.')
    return new Blob([writeSetFile(made.set)], { type: 'application/json' })
  },

  /** The files as icons of a set, under its rules; their ids begin with `id`. */
  into(
    { set, id, choice }: { set: IconSet; id: string; choice: Pick<Choice, 'how' | 'otherwise'> },
    tell: Tell,
  ): ReturnType<typeof iconsInto> & { readonly coming: readonly ComingIcon[] } {
    const all = chosen(choice, tell),
      { rules } = set
    const made = iconsInto(
      all.filter((one): one is ReadIcon => !isFailed(one)),
      set,
      (i) => `${id}-${i}`,
      tellingOf('understood', tell),
    )
    const book = rulesForGrid(rules, rules.grid.size)
    const coming = made.icons.map((icon, i) => ({
      name: icon.name,
      paths: [made.paths[i]!],
      picture: storedPicture(masterFor(icon).objects, book),
    }))
    return { ...made, coming, failed: [...all.filter(isFailed), ...made.failed] }
  },
}
export type ImportCalls = typeof calls

serve(calls)

/** Returns a function that reports progress at most every 250 ms, measured from the first call. */
function tellingOf(what: Told['what'], tell: Tell): (done: number, of: number) => void {
  let begin = performance.now(),
    last = begin
  return (done, of) => {
    const now = performance.now()
    if (done === 0) begin = last = now
    if (now - last < SELDOM) return
    last = now
    tell({ what, done, of, ms: now - begin })
  }
}

async function gathered(
  all: readonly (ReadIcon | FileProblem)[],
  { name, style, without, left }: Choice,
  tell: Tell,
): Promise<Gathered | null> {
  const wish = {
    name,
    ...(style && { style }),
    without: new Set(without),
    left: new Set(left),
    parts: !left.includes('parts'),
  }
  const telling = tellingOf('understood', tell)
  const objects = sought(all, wish)
  // Progress counts drawings, though a drawing may have several areas.
  if (objects) await understandAll(objects, (done, of) => telling(Math.floor((done / of) * all.length), all.length))
  return gatheredSet(all, wish, telling)
}

/** What files hold to be read. */
async function sourcesOf(files: readonly ChosenFile[]): Promise<(Source | FileProblem)[]> {
  const all: (Source | FileProblem)[] = []
  for (const { path, file } of files) {
    const plain = await unpacked(file),
      bytes = plain && fontFlavour(plain) === 'woff2' ? await unpackedFont(plain) : plain
    all.push(...(bytes ? sourcesIn(path, bytes) : [fileError(path, 'It cannot be unpacked, or it is too large.')]))
  }
  return all
}

/** Unpacks a WOFF2 font on the server; returns it unchanged if that fails. */
async function unpackedFont(bytes: Uint8Array<ArrayBuffer>): Promise<Uint8Array> {
  try {
    const response = await fetch(`${self.location.origin}/api/fonts`, { method: 'POST', body: bytes })
    return response.ok ? new Uint8Array(await response.arrayBuffer()) : bytes
  } catch {
    return bytes
  }
}

async function unpacked(file: Blob): Promise<Uint8Array<ArrayBuffer> | null> {
  if (file.size > 4 * MOST.characters) return null
  try {
    const bytes = new Uint8Array(await file.arrayBuffer())
    if (bytes[0] !== 0x1f || bytes[1] !== 0x8b) return bytes
    // The size that a packed file says of itself is its last four bytes (RFC 1952 §2.3.1).
    const size = new DataView(bytes.buffer).getUint32(bytes.length - 4, true)
    return size > 4 * MOST.characters ? null : gunzipSync(bytes)
  } catch {
    return null
  }
}

function readAs(how: Understanding, tell: Tell): readonly (ReadIcon | FileProblem)[] {
  const known = read.get(how)
  if (known) return known
  const all: (ReadIcon | FileProblem)[] = []
  const telling = tellingOf('read', tell)
  for (const source of sources) {
    all.push(readOne(source, how))
    telling(all.length, sources.length)
  }
  read.set(how, all)
  return all
}

const readOne = (source: Source | FileProblem, how: Understanding): ReadIcon | FileProblem =>
  'sentence' in source ? source : readIcon(source, how)

/** One of the files in a way that the others are not taken over in. */
function readOther(i: number, how: Understanding): ReadIcon | FileProblem {
  const known = read.get(how)?.[i] ?? others[how].get(i)
  if (known) return known
  const one = readOne(sources[i]!, how)
  others[how].set(i, one)
  return one
}

/** The files, read in the chosen way; some of them the other way. */
function chosen(
  { how, otherwise }: Pick<Choice, 'how' | 'otherwise'>,
  tell: Tell,
): readonly (ReadIcon | FileProblem)[] {
  const all = readAs(how, tell)
  if (otherwise.length === 0) return all
  const paths = new Set(otherwise)
  const other = how === 'live' ? 'drawn' : 'live'
  return all.map((one, i) => (paths.has(one.path) ? readOther(i, other) : one))
}

/** Preview of the set. */
function comingOf({ set, evidence, remarks, failed, styles, paths }: Gathered): Coming {
  const book = rulesForGrid(set.rules, set.rules.grid.size)
  return {
    evidence,
    remarks,
    failed,
    styles,
    grid: set.rules.grid.size,
    icons: set.icons.map((icon) => ({
      name: icon.name,
      paths: paths.get(icon.id) ?? [],
      picture: storedPicture(masterFor(icon).objects, book),
    })),
  }
}

function storedPicture(objects: Parameters<typeof drawingPicture>[0], book: Rules): string | null {
  try {
    return pictureText(drawingPicture(objects, book, 'current'))
  } catch {
    return null
  }
}
