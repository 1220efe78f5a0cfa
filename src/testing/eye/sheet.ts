import { pngOf } from '../rasterise'
import { type Coverage, coverageOf, type Ink } from './ink'

/** One icon on a contact sheet: its drawing, the ink of the scaled drawing, and the ink of the fitted one. */
export type Cell = { readonly name: string; readonly source: string; readonly plain: Ink; readonly fitted: Ink }

/** Side of a picture on the sheet, the space around it, and the icons in a row, in pixels and numbers. */
const SIDE = 160,
  SPACE = 10,
  ACROSS = 3
/** How many icons a sheet holds at most. */
const MOST = 60

/** A contact sheet as a PNG file: each icon as drawn, its pixels when only scaled, and its pixels when fitted. */
export function sheetOf(cells: readonly Cell[]): Uint8Array {
  const shown = cells.slice(0, MOST),
    width = ACROSS * (3 * (SIDE + SPACE) + SPACE),
    height = Math.ceil(shown.length / ACROSS) * (SIDE + 2 * SPACE)
  const body = shown.map(({ source, plain, fitted }, i) => {
    const x = (i % ACROSS) * (3 * (SIDE + SPACE) + SPACE) + SPACE,
      y = Math.floor(i / ACROSS) * (SIDE + 2 * SPACE) + SPACE
    const drawn = source.replace(
      /<svg([^>]*?) width="[^"]*" height="[^"]*"/,
      `<svg$1 x="${x}" y="${y}" width="${SIDE}" height="${SIDE}"`,
    )
    return [
      `<rect x="${x}" y="${y}" width="${SIDE}" height="${SIDE}" fill="#fff"/>`,
      drawn,
      pixelsAt(coverageOf(plain), x + SIDE + SPACE, y),
      pixelsAt(coverageOf(fitted), x + 2 * (SIDE + SPACE), y),
    ].join('')
  })
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="${width}" height="${height}" fill="#d8dedb"/>${body.join('')}</svg>`
  return pngOf(svg, width)
}

/** Pixels as squares of their greys. */
function pixelsAt({ shares, w, h }: Coverage, x: number, y: number): string {
  const side = SIDE / w
  const squares = [...shares].map((share, i) =>
    share < 0.004
      ? ''
      : `<rect x="${x + (i % w) * side}" y="${y + Math.floor(i / w) * side}" width="${side}" height="${side}" fill-opacity="${share.toFixed(3)}"/>`,
  )
  return `<rect x="${x}" y="${y}" width="${SIDE}" height="${h * side}" fill="#fff"/>${squares.join('')}`
}
