import { keepTime } from '../geometry/deadline'
import type { Premultiplied } from './colours'
import { addLine, emptyCells, type Step } from './coverage'
import { linesOf, type View } from './lines'
import type { Edge, Regions } from './regions'

/** The number of pixels summed at a time: as many as stay in the processor's cache. */
const BAND = 2 ** 17

const IN: Step = [1, 0, 0, 0],
  OUT: Step = [-1, 0, 0, 0]

/** The one flat colour that all of a picture has; null where it has several, or one that varies. */
export function onlyColour({ looks }: Regions): Readonly<Premultiplied> | null {
  const look = looks[1]
  return looks.length === 2 && look?.kind === 'flat' ? look.colour : null
}

/**
 * Goes through regions of one look row by row, as `eachRow` does, with how much of each pixel is covered: a row at `at`
 * in the differences `cover`, whose sums along the row are the coverage, 0 to 1.
 */
export function eachCover(
  edges: readonly Edge[],
  view: View,
  width: number,
  height: number,
  take: (row: number, cover: Float64Array, at: number) => void,
): void {
  const { places, edges: owners, count } = linesOf(edges, view)
  const rows = Math.max(1, Math.min(height, Math.floor(BAND / width)))
  const cells = emptyCells(width, rows, 1),
    { data, stride } = cells
  for (let top = 0; top < height; top += rows) {
    keepTime()
    if (top > 0) data.fill(0)
    for (let i = 0; i < count; i++) {
      const k = 4 * i
      addLine(
        cells,
        places[k]!,
        places[k + 1]! - top,
        places[k + 2]!,
        places[k + 3]! - top,
        edges[owners[i]!]!.right === 0 ? OUT : IN,
      )
    }
    for (let row = 0; row < Math.min(rows, height - top); row++) take(top + row, data, row * stride)
  }
}
