import type { Crispness } from '../../core/geometry/crispness'
import { crispnessBySize } from '../../core/proof/crispness-by-size'
import { snagsOn } from '../../core/checks/snags'
import { basesOf } from '../../core/rules/rules-for-grid'
import type { Rules } from '../../core/rules/rules'
import type { Icon } from '../../core/set/set'
import { type DeliveredFile, zip as zipped } from '../../core/targets/archive'
import type { Family } from '../../core/targets/target'
import { drawingProblem } from '../../core/picture/drawing-problem'
import { type Drawn, drawnIcon, type StoredPictures } from '../../core/picture/drawn'
import { pictureIn, pictureText } from '../../core/picture/stored'
import { svgOfPicture } from '../../core/picture/svg'
import { pictureOfSvg } from '../../core/formats/import/picture-of-svg'
import { type FileError, type Pictures, readSetFile, writeSetFile } from '../../core/formats/set-file'
import { within } from '../../core/geometry/deadline'
import type { Result } from '../result'
import { checkedSave, type SaveCheck, type StoredForCheck } from './checked-save'
import { ownDeadline } from './own-time'
import { readFontFile } from './font-file'
import { type ReadPicture, readPictureFile } from './picture-file'
import { type MadeIcon, madeIcon, madeSet } from './make'
import { sheetPdf } from './sheet-pdf'
import { type CountedIconRow, iconOfRow, type IconRow, type SetRows, setOfRows, rowsOfSet } from '../set-rows'

/** An icon as pictures, and its number of snags; null if unknown. */
export type Shown = { readonly drawn: Drawn; readonly snags: number | null }

/** An icon as pictures with its snags, in so many milliseconds of the thread; its masters and the rules as JSON. */
function draw({ masters, rules: text, limit }: { masters: string; rules: string; limit: number }): Shown {
  const icon: Icon = { id: 'icon', name: 'icon', masters: JSON.parse(masters) },
    rules = rulesFrom(text)
  return within(ownDeadline(limit), () => {
    const drawn = drawnIcon(icon, rules)
    return { drawn, snags: drawn.picture ? snagCount(icon, rules) : null }
  })
}

/** How many snags an icon has, hints and accepted ones aside; null where there was no time to look. */
function snagCount(icon: Icon, rules: Rules): number | null {
  try {
    return basesOf(rules)
      .flatMap((base) => snagsOn(icon, rules, base))
      .filter(({ severity }) => severity !== 'note').length
  } catch {
    return null
  }
}

/** Remembers the last parsed text: all icons of a set share its rules. */
function readOnce<T>(): (text: string) => T {
  let last: { readonly text: string; readonly value: T } | null = null
  return (text) => {
    if (last?.text !== text) last = { text, value: JSON.parse(text) as T }
    return last.value
  }
}

const rulesFrom = readOnce<Rules>(),
  familyFrom = readOnce<Family>()

type ToMake = {
  /** Where an icon is not drawn yet, it is drawn first. */
  readonly icons: readonly {
    readonly row: IconRow
    readonly drawn: StoredPictures | null
    /** Another icon that stands for it right to left. */
    readonly turned?: IconRow | undefined
  }[]
  /** As JSON. */
  readonly family: string
  readonly targets: readonly string[]
}

type ToJoin = {
  /** As JSON. */
  readonly family: string
  readonly targets: readonly string[]
  readonly pieces: Readonly<Record<string, readonly string[]>>
}

/**
 * What threads can be asked to do: each takes and gives plain data that can be sent between threads. Nothing of it runs
 * where requests are answered.
 */
export const TASKS = {
  draw,

  /** The same for slow icons, in a thread of their own. */
  drawSlowly: draw,

  /** What icons of a set are delivered as, one after the other. */
  async make({ icons, family, targets }: ToMake): Promise<(MadeIcon | { readonly problem: string })[]> {
    const known = familyFrom(family)
    const made: (MadeIcon | { readonly problem: string })[] = []
    for (const { row, drawn, turned } of icons) {
      try {
        const icon = iconOfRow(row),
          now = drawn ?? drawnIcon(icon, known.rules)
        made.push(
          now.picture === undefined
            ? { problem: now.problem }
            : await madeIcon(icon, now, known, targets, turned && iconOfRow(turned)),
        )
      } catch (error) {
        made.push({ problem: drawingProblem(error) })
      }
    }
    return made
  },

  /** How crisp icons are at each delivered size; those that cannot be drawn are left out. */
  crispness: ({ icons, rules }: { icons: readonly IconRow[]; rules: string }): (readonly Crispness[])[] =>
    icons.flatMap((row) => {
      try {
        return [crispnessBySize(iconOfRow(row), rulesFrom(rules))]
      } catch {
        return []
      }
    }),

  /** The files of a set as a whole, of the pieces of its icons. */
  join: ({ family, targets, pieces }: ToJoin): Promise<DeliveredFile[]> => madeSet(familyFrom(family), targets, pieces),

  sheetPdf,

  /** Stored pictures as SVG documents on light ground. */
  documents: (pictures: readonly string[]): string[] =>
    pictures.map((text) => svgOfPicture({ ...pictureIn(text), ground: 'light' })),

  /** SVG documents as stored pictures; null for those that cannot be read. */
  picturesOf: (documents: readonly string[]): (string | null)[] =>
    documents.map((text) => {
      const picture = pictureOfSvg(text)
      return picture && pictureText(picture)
    }),

  zip: (files: readonly DeliveredFile[]): Uint8Array => zipped(files),

  /** A set file as the rows it is stored in, and the pictures it brings. */
  readFile(bytes: Uint8Array): { rows: SetRows<CountedIconRow>; pictures: Pictures } | { error: FileError } {
    const { set, pictures, error } = readSetFile(new TextDecoder('utf-8', { ignoreBOM: false }).decode(bytes))
    return error ? { error } : { rows: rowsOfSet(set), pictures }
  },

  writeFile: ({ rows, pictures }: { rows: SetRows; pictures: Pictures }): string =>
    writeSetFile(setOfRows(rows), pictures),

  checkSave: (asked: { request: Uint8Array; stored: StoredForCheck }): SaveCheck =>
    checkedSave(asked.request, asked.stored),

  /** Converts a picture file to its stored form: drawings become pixels. */
  readPicture: (bytes: Uint8Array): Promise<Result<ReadPicture>> => readPictureFile(bytes),

  /** A WOFF2 font, unpacked. */
  unpackFont: (bytes: Uint8Array): Promise<Result<Uint8Array>> => readFontFile(bytes),
}

export type Tasks = typeof TASKS
