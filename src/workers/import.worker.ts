import { gunzipSync } from 'fflate'
import { fontFlavour } from '../core/formats/import/font'
import { gatheredSet, type Gathered, sought } from '../core/formats/import/gather'
import type { Style } from '../core/formats/import/names'
import type { Understanding } from '../core/formats/import/objects'
import { iconsInto } from '../core/formats/import/into'
import type { Topic } from '../core/formats/import/propose'
import { isFailed, readIcon, type ReadIcon } from '../core/formats/import/read-icon'
import { type Failed, MOST, type Source } from '../core/formats/import/reading'
import { sourcesIn } from '../core/formats/import/sources'
import { writeSetFile } from '../core/formats/set-file'
import { drawingSvg } from '../core/formats/drawn'
import { bookAt } from '../core/rules/book'
import { type IconSet, masterFor } from '../core/set/set'
import { boundDrawing } from './bound-drawing'
import { understandAll } from './understanders'

/** A file with its path in the folder it was chosen from. */
export type ChosenFile = { readonly path: string; readonly file: Blob }

/** How the set is to be made of what was read. */
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

/** What the worker is asked: to read some more files, to make a set of all of them, to give its file. */
export type AskedImport =
  | { readonly kind: 'read'; readonly files: readonly ChosenFile[] }
  | { readonly kind: 'gather'; readonly choice: Choice }
  | { readonly kind: 'write'; readonly choice: Choice }
  /** As icons of a set that is there; their ids begin with `id`. */
  | {
      readonly kind: 'into'
      readonly set: IconSet
      readonly id: string
      readonly choice: Pick<Choice, 'how' | 'otherwise'>
    }

/** An icon of the set to come: its name, its files, its pictures, or why it has none. */
export type ComingIcon = {
  readonly name: string
  readonly paths: readonly string[]
  readonly svg: { readonly light: string; readonly dark: string } | null
}

/** The set to come without its drawings: what a person is shown before anything is stored. */
export type Coming = Pick<Gathered, 'evidence' | 'remarks' | 'failed' | 'styles'> & {
  readonly icons: readonly ComingIcon[]
  readonly grid: number
}

export type AnsweredImport =
  /** How many files are read, or drawings understood, after so many milliseconds of that. */
  | {
      readonly kind: 'progress'
      readonly what: 'read' | 'understood'
      readonly done: number
      readonly of: number
      readonly ms: number
    }
  | { readonly kind: 'coming'; readonly coming: Coming | null; readonly failed: readonly Failed[] }
  | { readonly kind: 'file'; readonly file: Blob }
  | ({ readonly kind: 'icons'; readonly coming: readonly ComingIcon[] } & ReturnType<typeof iconsInto>)

boundDrawing()

const sources: (Source | Failed)[] = []
const read = new Map<Understanding, readonly (ReadIcon | Failed)[]>()
/** The few that were taken over the other way, by where they stand among all. */
const others = { live: new Map<number, ReadIcon | Failed>(), drawn: new Map<number, ReadIcon | Failed>() }

/** How long nothing is told between two reports, in milliseconds. */
const SELDOM = 250

/** What was asked is answered in order: nothing is gathered before its files are read. */
let last: Promise<void> = Promise.resolve()

self.onmessage = ({ data }: MessageEvent<AskedImport>) => {
  last = last.then(() => answer(data))
}

async function answer(asked: AskedImport): Promise<void> {
  switch (asked.kind) {
    case 'read':
      for (const one of await sourcesOf(asked.files)) sources.push(one)
      read.clear()
      others.live.clear()
      others.drawn.clear()
      return
    case 'gather': {
      const all = chosen(asked.choice)
      const made = await gathered(all, asked.choice)
      const failed = made?.failed ?? all.filter(isFailed)
      return tell({ kind: 'coming', coming: made && comingOf(made), failed })
    }
    case 'write': {
      const made = await gathered(chosen(asked.choice), asked.choice)
      if (made) tell({ kind: 'file', file: new Blob([writeSetFile(made.set)], { type: 'application/json' }) })
      return
    }
    case 'into': {
      const all = chosen(asked.choice),
        { rules } = asked.set
      const made = iconsInto(
        all.filter((one): one is ReadIcon => !isFailed(one)),
        asked.set,
        (i) => `${asked.id}-${i}`,
        tellingOf('understood'),
      )
      const book = bookAt(rules, rules.grid.size)
      const coming = made.icons.map((icon, i) => ({
        name: icon.name,
        paths: [made.paths[i]!],
        svg: picturesOf(masterFor(icon).objects, book),
      }))
      return tell({ kind: 'icons', ...made, coming, failed: [...all.filter(isFailed), ...made.failed] })
    }
  }
}

const tell = (answer: AnsweredImport) => postMessage(answer)

/** Tells now and then how far something is that begins now, or when it is first said that nothing of it is done. */
function tellingOf(what: 'read' | 'understood'): (done: number, of: number) => void {
  let begin = performance.now(),
    last = begin
  return (done, of) => {
    const now = performance.now()
    if (done === 0) begin = last = now
    if (now - last < SELDOM) return
    last = now
    tell({ kind: 'progress', what, done, of, ms: now - begin })
  }
}

async function gathered(
  all: readonly (ReadIcon | Failed)[],
  { name, style, without, left }: Choice,
): Promise<Gathered | null> {
  const wish = {
    name,
    ...(style && { style }),
    without: new Set(without),
    left: new Set(left),
    parts: !left.includes('parts'),
  }
  const telling = tellingOf('understood')
  const objects = sought(all, wish)
  // A drawing has one area or several; what is told is how many drawings that is.
  if (objects) await understandAll(objects, (done, of) => telling(Math.floor((done / of) * all.length), all.length))
  return gatheredSet(all, wish, telling)
}

/** What files hold to be read. */
async function sourcesOf(files: readonly ChosenFile[]): Promise<(Source | Failed)[]> {
  const all: (Source | Failed)[] = []
  for (const { path, file } of files) {
    const plain = await unpacked(file),
      bytes = plain && fontFlavour(plain) === 'woff2' ? await unpackedFont(plain) : plain
    all.push(...(bytes ? sourcesIn(path, bytes) : [{ path, problem: 'It cannot be unpacked, or it is too large.' }]))
  }
  return all
}

/** A WOFF2 font as the server unpacks it: browsers keep that way to themselves. As it is where that fails. */
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

function readAs(how: Understanding): readonly (ReadIcon | Failed)[] {
  const known = read.get(how)
  if (known) return known
  const all: (ReadIcon | Failed)[] = []
  const telling = tellingOf('read')
  for (const source of sources) {
    all.push(readOne(source, how))
    telling(all.length, sources.length)
  }
  read.set(how, all)
  return all
}

const readOne = (source: Source | Failed, how: Understanding): ReadIcon | Failed =>
  'problem' in source ? source : readIcon(source, how)

/** One of the files in a way that the others are not taken over in. */
function readOther(i: number, how: Understanding): ReadIcon | Failed {
  const known = read.get(how)?.[i] ?? others[how].get(i)
  if (known) return known
  const one = readOne(sources[i]!, how)
  others[how].set(i, one)
  return one
}

/** The files as they are chosen to be taken over: all in one way but for some. */
function chosen({ how, otherwise }: Pick<Choice, 'how' | 'otherwise'>): readonly (ReadIcon | Failed)[] {
  const all = readAs(how)
  if (otherwise.length === 0) return all
  const paths = new Set(otherwise)
  const other = how === 'live' ? 'drawn' : 'live'
  return all.map((one, i) => (paths.has(one.path) ? readOther(i, other) : one))
}

/** What is shown of a set to come. */
function comingOf({ set, evidence, remarks, failed, styles, paths }: Gathered): Coming {
  const book = bookAt(set.rules, set.rules.grid.size)
  return {
    evidence,
    remarks,
    failed,
    styles,
    grid: set.rules.grid.size,
    icons: set.icons.map((icon) => ({
      name: icon.name,
      paths: paths.get(icon.id) ?? [],
      svg: picturesOf(masterFor(icon).objects, book),
    })),
  }
}

function picturesOf(objects: Parameters<typeof drawingSvg>[0], book: Parameters<typeof drawingSvg>[1]) {
  try {
    return { light: drawingSvg(objects, book, 'light'), dark: drawingSvg(objects, book, 'dark') }
  } catch {
    return null
  }
}
