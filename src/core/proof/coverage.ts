import { flattened } from '../geometry/flat'
import type { Path } from '../geometry/path'

/** How far the lines by which curves are looked at may lie from them, in pixels. */
const ROUGH = 0.02

/** How many lines each row of pixels is looked at along. */
const LINES = 8

/**
 * How much of each pixel an area covers, 0 to 1, row by row, of a square of so many units seen at so many pixels: exact
 * along each of eight lines a row.
 */
export function coverage(ink: Path, grid: number, pixels: number): Float32Array {
  const scale = pixels / grid
  const lines = pixels * LINES
  const crossed = Array.from({ length: lines }, (): number[] => [])
  for (const { segments } of flattened(ink, ROUGH / scale)) {
    for (const { from, to } of segments) {
      const [top, bottom] = from.y < to.y ? [from, to] : [to, from]
      // A line through an end counts with the edge above it alone.
      const first = Math.max(0, Math.ceil(top.y * scale * LINES - 0.5)),
        last = Math.min(lines, Math.ceil(bottom.y * scale * LINES - 0.5))
      for (let line = first; line < last; line++) {
        const share = ((line + 0.5) / LINES / scale - top.y) / (bottom.y - top.y)
        crossed[line]!.push((top.x + share * (bottom.x - top.x)) * scale)
      }
    }
  }
  const cover = new Float32Array(pixels * pixels)
  for (let line = 0; line < lines; line++) {
    const crossings = crossed[line]!.sort((a, b) => a - b)
    const row = Math.floor(line / LINES) * pixels
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
