import { arcCentre } from '../geometry/arc'
import type { Arc, Cubic } from '../geometry/segment'
import { rounded } from './number'

/** Whether an arc bulges no further from the line between its ends than a distance. */
export function isFlat(arc: Arc, within: number): boolean {
  const { rx, ry, extent } = arcCentre(arc)
  return Math.max(rx, ry) * (1 - Math.cos(Math.min(Math.PI, extent / 2))) <= within
}

/** Whether a cubic is a straight line between its ends, within a distance. */
export function isStraight({ from, c1, c2, to }: Cubic, within: number): boolean {
  const dx = to.x - from.x,
    dy = to.y - from.y,
    length = Math.hypot(dx, dy)
  return (
    length > 0 &&
    [c1, c2].every(({ x, y }) => {
      const along = ((x - from.x) * dx + (y - from.y) * dy) / length,
        off = ((x - from.x) * dy - (y - from.y) * dx) / length
      return Math.abs(off) <= within && along >= 0 && along <= length
    })
  )
}

/** Where along a cubic it is looked at. */
const LOOKS = [0.125, 0.25, 0.375, 0.5, 0.625, 0.75, 0.875]

/**
 * The circular arc, less than half a turn, that runs where a cubic does, within a distance: its radius in as few digits
 * as that leaves room for, and its way round; null where there is none.
 */
export function arcLike(cubic: Cubic, within: number, digits: number): { radius: number; sweep: boolean } | null {
  const { from, c1, c2, to } = cubic
  const dx = to.x - from.x,
    dy = to.y - from.y,
    chord = Math.hypot(dx, dy)
  if (chord === 0) return null
  // Along and beside the chord, from its middle.
  const along: number[] = [],
    beside: number[] = []
  for (const t of LOOKS) {
    const s = 1 - t,
      a = 3 * s * s * t,
      b = 3 * s * t * t,
      x = a * (c1.x - from.x) + b * (c2.x - from.x) + t * t * t * dx,
      y = a * (c1.y - from.y) + b * (c2.y - from.y) + t * t * t * dy
    along.push((x * dx + y * dy) / chord - chord / 2)
    beside.push((y * dx - x * dy) / chord)
  }
  const bulge = beside[3]!,
    high = Math.abs(bulge),
    radius = (chord * chord) / (8 * high) + high / 2
  if (high === 0 || high > chord / 2 || beside.some((value) => value * bulge < 0)) return null
  const isNear = (r: number) => {
    if (r < chord / 2) return false
    const centre = -Math.sqrt(r * r - (chord * chord) / 4)
    return LOOKS.every((_, i) => Math.abs(Math.hypot(along[i]!, Math.abs(beside[i]!) - centre) - r) <= within)
  }
  if (!isNear(radius)) return null
  for (let d = 0; d <= digits; d++) {
    const short = rounded(radius, d)
    if (isNear(short)) return { radius: short, sweep: bulge < 0 }
  }
  return null
}
