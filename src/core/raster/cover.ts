import { line } from '../geometry/segment'
import type { Path } from '../geometry/path'
import { addLine, emptyCells, type Step } from './coverage'
import { linesOf } from './lines'

const ONCE: Step = [1, 0, 0, 0]

/**
 * How much of each pixel an area covers, 0 to 1, row by row, of a square of so many units seen at so many pixels; open
 * contours are closed. The area is one of ours: its contours do not cross, and its holes run the other way.
 */
export function coverOf(area: Path, side: number, pixels: number): Float32Array {
  const segments = area.flatMap(({ segments: own, closed }) =>
    closed || own.length === 0 ? own : [...own, line(own.at(-1)!.to, own[0]!.from)],
  )
  const edges = segments.map((segment) => ({ segment, left: 0, right: 0 }))
  const { places, count } = linesOf(edges, { scale: pixels / side, x: 0, y: 0 })
  const cells = emptyCells(pixels, pixels, 1)
  for (let i = 0; i < 4 * count; i += 4)
    addLine(cells, places[i]!, places[i + 1]!, places[i + 2]!, places[i + 3]!, ONCE)
  const cover = new Float32Array(pixels * pixels)
  for (let y = 0; y < pixels; y++) {
    let sum = 0
    for (let x = 0; x < pixels; x++)
      cover[y * pixels + x] = Math.min(1, Math.abs((sum += cells.data[y * cells.stride + x]!)))
  }
  return cover
}
