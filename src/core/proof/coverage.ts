import { flattened } from '../geometry/flat'
import type { Path } from '../geometry/path'

/** How many lines each row of pixels is looked at along. */
const LINES = 8

/**
 * How much of each pixel an area covers, 0 to 1, row by row, of a square of so many units seen at so many pixels: exact
 * along each of eight lines a row.
 */
export function coverage(ink: Path, grid: number, pixels: number): Float32Array {
  const scale = pixels / grid
  const edges = flattened(ink, 0.02 / scale).flatMap(({ segments }) =>
    segments.map(({ from, to }) => [from.x * scale, from.y * scale, to.x * scale, to.y * scale] as const),
  )
  const cover = new Float32Array(pixels * pixels)
  for (let line = 0; line < pixels * LINES; line++) {
    const y = (line + 0.5) / LINES
    const crossings: number[] = []
    for (const [x0, y0, x1, y1] of edges)
      if (y0 <= y !== y1 <= y) crossings.push(x0 + ((y - y0) / (y1 - y0)) * (x1 - x0))
    crossings.sort((a, b) => a - b)
    const row = Math.floor(y) * pixels
    // An area of ours has its holes wound the other way, so that every second stretch is in it.
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const from = Math.max(0, crossings[i]!),
        to = Math.min(pixels, crossings[i + 1]!)
      for (let x = Math.floor(from); x < to; x++) cover[row + x]! += (Math.min(x + 1, to) - Math.max(x, from)) / LINES
    }
  }
  return cover
}

/** How much alike two pictures of one size are, 0 to 1: what both cover of what either does. */
export function likeness(a: Float32Array, b: Float32Array): number {
  let both = 0,
    either = 0
  for (let i = 0; i < a.length; i++) {
    both += Math.min(a[i]!, b[i]!)
    either += Math.max(a[i]!, b[i]!)
  }
  return either === 0 ? 1 : both / either
}
