/**
 * What a line adds to one pixel of coverage and to what follows it in its row: called with the number of the cell and
 * the difference. The sum of the differences along a row is the coverage by the closed outline that the lines make.
 */
export type Cells = {
  /** Cells in a row: one more than there are pixels, at least. */
  readonly stride: number
  readonly width: number
  readonly height: number
  /** So many numbers for each cell, one after the other. */
  readonly parts: 1 | 4
  readonly data: Float64Array
}

/** Empty cells for so many pixels. */
export const emptyCells = (width: number, height: number, parts: 1 | 4): Cells => ({
  stride: width + 1,
  width,
  height,
  parts,
  data: new Float64Array(parts * (width + 1) * height),
})

/** Sums of coverage to the right of downward lines, minus that to the right of upward ones, by part of a cell. */
export type Step = readonly [number, number, number, number]

/**
 * Adds what a line contributes to each pixel: in each row it crosses, the area to its right, times `step`.
 *
 * This is the accumulation of areas and covers of font rasterisers (LibArt's, FreeType's “smooth” module; with
 * differences in the cells as in font-rs), exact for polygons up to rounding.
 */
export function addLine(cells: Cells, x0: number, y0: number, x1: number, y1: number, step: Step): void {
  if (y0 < y1) addDown(cells, x0, y0, x1, y1, step, 1)
  else if (y0 > y1) addDown(cells, x1, y1, x0, y0, step, -1)
}

function addDown(cells: Cells, x0: number, y0: number, x1: number, y1: number, step: Step, sign: number): void {
  const { height } = cells
  if (y1 <= 0 || y0 >= height) return
  const top = Math.max(0, y0),
    bottom = Math.min(height, y1),
    first = Math.floor(top),
    last = Math.ceil(bottom)
  if (last === first + 1 && top === y0 && bottom === y1) {
    addInRow(cells, first, Math.min(x0, x1), Math.max(x0, x1), sign * (y1 - y0), step)
    return
  }
  const slope = (x1 - x0) / (y1 - y0)
  let x = x0 + (top - y0) * slope
  for (let row = first; row < last; row++) {
    const dy = Math.min(row + 1, bottom) - Math.max(row, top)
    const next = x + slope * dy
    addInRow(cells, row, Math.min(x, next), Math.max(x, next), sign * dy, step)
    x = next
  }
}

/** Adds a line within a row that goes over a stretch of x and covers `d` of the row's height. */
function addInRow(cells: Cells, row: number, from: number, to: number, d: number, step: Step): void {
  const { width } = cells,
    begin = row * cells.stride
  if (to <= 0) return put(cells, begin, d, step)
  if (from >= width) return
  if (from < 0 || to > width) {
    // Left of the first pixel a line covers all of the row; right of the last it covers nothing.
    const span = to - from
    if (from < 0) put(cells, begin, (d * -from) / span, step)
    d *= (Math.min(to, width) - Math.max(from, 0)) / span
    from = Math.max(from, 0)
    to = Math.min(to, width)
  }
  const first = Math.floor(from),
    end = Math.ceil(to)
  if (end <= first + 1) {
    const middle = (from + to) / 2 - first
    put(cells, begin + first, d * (1 - middle), step)
    put(cells, begin + first + 1, d * middle, step)
    return
  }
  // The share of the height for each pixel of way; in the first and the last pixel a triangle is covered.
  const share = d / (to - from)
  const inFirst = 1 - (from - first),
    inLast = to - (end - 1)
  let before = 0.5 * share * inFirst * inFirst
  put(cells, begin + first, before, step)
  for (let i = first + 1; i < end - 1; i++) {
    const so = share * (inFirst + (i - first - 1) + 0.5)
    put(cells, begin + i, so - before, step)
    before = so
  }
  const so = d - 0.5 * share * inLast * inLast
  put(cells, begin + end - 1, so - before, step)
  put(cells, begin + end, d - so, step)
}

function put({ data, parts }: Cells, cell: number, area: number, step: Step): void {
  if (parts === 1) {
    data[cell]! += area * step[0]
    return
  }
  const i = 4 * cell
  data[i]! += area * step[0]
  data[i + 1]! += area * step[1]
  data[i + 2]! += area * step[2]
  data[i + 3]! += area * step[3]
}
