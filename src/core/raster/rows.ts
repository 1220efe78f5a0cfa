import { keepTime } from '../geometry/deadline'
import type { Changing, Look, Premultiplied } from './colours'
import { addLine, type Cells, emptyCells, type Step } from './coverage'
import { type Lines, linesOf, type View } from './lines'
import type { Edge, Regions } from './regions'

/** The number of pixels summed at a time: as many as stay in the processor's cache. */
const BAND = 2 ** 16

/**
 * Receives the rows of a picture from the top: the number of the row, and the mean colour of each pixel as four
 * numbers, 0 to 1. `changed` is 1 where a pixel differs from the one before; empty rows are skipped.
 */
type RowTaker = (row: number, colours: Float64Array, changed: Uint8Array) => void

/** Scanline coverage accumulation over regions: each pixel is the mean colour by area. Empty rows are skipped. */
export function eachRow(regions: Regions, view: View, width: number, height: number, take: RowTaker): void {
  const { looks, edges } = regions
  const lines = linesOf(edges, view)
  const flat = stepsOf(edges, looks)
  const changing = looks.flatMap((one, number) =>
    one.kind === 'changing'
      ? [
          changingLook(
            one,
            edges.map((edge) => membership(edge, number)),
            lines,
          ),
        ]
      : [],
  )
  const rows = Math.max(1, Math.min(height, Math.floor(BAND / width)))
  const colours = new Float64Array(4 * width * rows),
    changed = new Uint8Array(width * rows),
    seen = new Uint8Array(rows)
  const cells = emptyCells(width, rows, 4),
    // One look after the other: there may be hundreds.
    cover = emptyCells(width, rows, 1)
  for (let top = 0; top < height; top += rows) {
    keepTime()
    const count = Math.min(rows, height - top)
    const coloursOf = (row: number) => colours.subarray(4 * row * width, 4 * (row + 1) * width),
      changedIn = (row: number) => changed.subarray(row * width, (row + 1) * width)
    accumulate(lines, flat, top, cells)
    for (let row = 0; row < count; row++) seen[row] = flatRow(cells, row, coloursOf(row), changedIn(row)) ? 1 : 0
    for (const { look, steps, first, last } of changing) {
      const begin = Math.max(0, Math.floor(first) - top),
        end = Math.min(count, Math.ceil(last) - top)
      if (begin >= end) continue
      accumulate(lines, steps, top, cover)
      for (let row = begin; row < end; row++) {
        seen[row] = 1
        changingRow(cover, row, view, top + row, look, coloursOf(row), changedIn(row))
      }
    }
    for (let row = 0; row < count; row++) if (seen[row]) take(top + row, coloursOf(row), changedIn(row))
  }
}

/** A look that varies over the picture: its edges with the side they see it on, and its first and last row. */
type ChangingLook = {
  readonly look: Changing
  readonly steps: readonly (Step | null)[]
  readonly first: number
  readonly last: number
}

function changingLook(look: Changing, steps: readonly (Step | null)[], { places, edges, count }: Lines): ChangingLook {
  let first = Infinity,
    last = -Infinity
  for (let i = 0; i < count; i++) {
    if (!steps[edges[i]!]) continue
    first = Math.min(first, places[4 * i + 1]!, places[4 * i + 3]!)
    last = Math.max(last, places[4 * i + 1]!, places[4 * i + 3]!)
  }
  return { look, steps, first, last }
}

/** The change of colour across each edge between flat looks; null if there is none. */
const stepsOf = (edges: readonly Edge[], looks: readonly Look[]): (Step | null)[] =>
  edges.map(({ left, right }) => {
    const a = flatColour(looks[left]!),
      b = flatColour(looks[right]!)
    const step = [b[0] - a[0], b[1] - a[1], b[2] - a[2], b[3] - a[3]] as const
    return step.some((part) => part !== 0) ? step : null
  })

const CLEAR: Readonly<Premultiplied> = [0, 0, 0, 0]

const flatColour = (look: Look): Readonly<Premultiplied> => (look.kind === 'flat' ? look.colour : CLEAR)

const IN: Step = [1, 0, 0, 0],
  OUT: Step = [-1, 0, 0, 0]

const membership = ({ left, right }: Edge, number: number): Step | null =>
  right === number ? IN : left === number ? OUT : null

/** Clears the cells of some rows and accumulates the lines of these rows in them. */
function accumulate({ places, edges, count }: Lines, steps: readonly (Step | null)[], top: number, cells: Cells): void {
  cells.data.fill(0)
  for (let i = 0; i < count; i++) {
    const step = steps[edges[i]!]
    if (step)
      addLine(cells, places[4 * i]!, places[4 * i + 1]! - top, places[4 * i + 2]!, places[4 * i + 3]! - top, step)
  }
}

/** Sums up a row of flat colours; false where there is nothing in it. */
function flatRow({ data, stride, width }: Cells, row: number, colours: Float64Array, changed: Uint8Array): boolean {
  let r = 0,
    g = 0,
    b = 0,
    a = 0,
    isSeen = false
  for (let x = 0, i = 4 * row * stride; x < width; x++, i += 4) {
    const dr = data[i]!,
      dg = data[i + 1]!,
      db = data[i + 2]!,
      da = data[i + 3]!
    const isNew = dr !== 0 || dg !== 0 || db !== 0 || da !== 0
    changed[x] = isNew ? 1 : 0
    if (isNew) {
      isSeen = true
      r += dr
      g += dg
      b += db
      a += da
    }
    colours[4 * x] = r
    colours[4 * x + 1] = g
    colours[4 * x + 2] = b
    colours[4 * x + 3] = a
  }
  return isSeen
}

/** Differences of coverage below this are rounding errors of zero. */
const NONE = 1e-9

const here: Premultiplied = [0, 0, 0, 0]

/** Adds a look that varies over the picture to a row, weighted by its coverage of each pixel. */
function changingRow(
  { data, stride, width }: Cells,
  row: number,
  view: View,
  y: number,
  { at }: Changing,
  colours: Float64Array,
  changed: Uint8Array,
): void {
  let cover = 0
  for (let x = 0; x < width; x++) {
    const before = cover
    cover += data[row * stride + x]!
    if (before >= NONE || cover >= NONE) changed[x] = 1
    if (cover < NONE) continue
    at(view.x + (x + 0.5) / view.scale, view.y + (y + 0.5) / view.scale, here)
    colours[4 * x]! += cover * here[0]
    colours[4 * x + 1]! += cover * here[1]
    colours[4 * x + 2]! += cover * here[2]
    colours[4 * x + 3]! += cover * here[3]
  }
}
