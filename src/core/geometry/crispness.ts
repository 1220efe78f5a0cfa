import type { Path } from './path'
import type { Point } from './point'

/** A straight edge that lies between pixels: its ends, and how far off the next boundary it is, in pixels. */
export type Blurred = { readonly from: Point; readonly to: Point; readonly off: number }

/** Length of straight edges along the pixel grid of a size: on pixel boundaries, and beside them. In grid units. */
export type Crispness = {
  readonly length: number
  readonly crisp: number
  readonly blurred: readonly Blurred[]
  /** About how many pixels are grey for want of a boundary under an edge. */
  readonly greys: number
}

/** How far off a boundary an edge may lie, in pixels, before it is seen as grey: half a level of 255, and some. */
export const SEEN = 4e-3

/** The upright and level straight edges of an area drawn on a grid of so many units, seen at so many pixels. */
export function crispness(ink: Path, grid: number, pixels: number): Crispness {
  const scale = pixels / grid
  let length = 0,
    crisp = 0,
    greys = 0
  const blurred: Blurred[] = []
  for (const { segments } of ink) {
    for (const { kind, from, to } of segments) {
      if (kind !== 'line') continue
      const upright = Math.abs(from.x - to.x) < 1e-9,
        level = Math.abs(from.y - to.y) < 1e-9
      if (upright === level) continue
      const long = Math.abs(from.x - to.x) + Math.abs(from.y - to.y),
        place = (upright ? from.x : from.y) * scale,
        off = Math.abs(place - Math.round(place))
      length += long
      if (off <= SEEN) crisp += long
      else {
        blurred.push({ from, to, off })
        greys += Math.max(1, Math.round(long * scale))
      }
    }
  }
  return { length, crisp, blurred, greys }
}
