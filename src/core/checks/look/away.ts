import { distanceTo } from '../../geometry/distance-to'
import { flattened } from '../../geometry/flat'
import type { Path } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { windingOf } from '../../geometry/winding'

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
  const distance = distanceTo(other),
    around = windingOf(other)
  let most = limit,
    place: Point | null = null
  for (const { segments } of flattened(area, FINE * limit)) {
    for (const { from, to } of segments) {
      const bits = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / limit))
      for (let i = 0; i < bits; i++) {
        const p = { x: from.x + ((to.x - from.x) * i) / bits, y: from.y + ((to.y - from.y) * i) / bits }
        const away = distance(p, most)
        if (away > most && around(p) === 0) [most, place] = [away, p]
      }
    }
  }
  return place && { at: place, away: most }
}
