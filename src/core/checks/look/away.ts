import { curveOf } from '../../geometry/curve'
import { flattened } from '../../geometry/flat'
import { nearestOnCurve } from '../../geometry/nearest'
import type { Path } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { segmentBounds } from '../../geometry/segment'
import { winding } from '../../geometry/winding'

/** How finely outlines are looked at, as a share of the distance in question. */
const FINE = 0.25

/**
 * The place of one area's outline that is farthest from another area, and how far; null where no place is farther than
 * `limit`. Lengths in grid units.
 */
export function farthestFrom(
  area: Path,
  other: Path,
  limit: number,
): { readonly at: Point; readonly away: number } | null {
  const walls = other.flatMap(({ segments }) => segments.map((segment) => ({ segment, box: segmentBounds(segment) })))
  let most = limit,
    place: Point | null = null
  for (const { segments } of flattened(area, FINE * limit)) {
    for (const { from, to } of segments) {
      const bits = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / limit))
      for (let i = 0; i < bits; i++) {
        const p = { x: from.x + ((to.x - from.x) * i) / bits, y: from.y + ((to.y - from.y) * i) / bits }
        const away = awayFrom(p, walls, most)
        if (away > most && winding(other, p) === 0) [most, place] = [away, p]
      }
    }
  }
  return place && { at: place, away: most }
}

/** How far a place is from the nearest of some walls; the search ends at the first that is nearer than `enough`. */
function awayFrom(
  p: Point,
  walls: readonly {
    readonly segment: Parameters<typeof curveOf>[0]
    readonly box: { x: number; y: number; w: number; h: number }
  }[],
  enough: number,
): number {
  let least = Infinity
  for (const { segment, box } of walls) {
    const dx = Math.max(box.x - p.x, 0, p.x - box.x - box.w),
      dy = Math.max(box.y - p.y, 0, p.y - box.y - box.h)
    if (Math.hypot(dx, dy) >= least) continue
    least = Math.min(least, nearestOnCurve(curveOf(segment), p).distance)
    if (least <= enough) break
  }
  return least
}
