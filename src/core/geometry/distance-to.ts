import { curveOf } from './curve'
import { nearestOnCurve } from './nearest'
import type { Path } from './path'
import type { Point } from './point'
import { segmentBounds } from './segment'

/**
 * The distance from places to the outline of a path, in units; infinite of an empty one. The search for a place ends at
 * the first distance that is not more than `enough`.
 */
export function distanceTo(path: Path): (p: Point, enough?: number) => number {
  const walls = path.flatMap(({ segments }) =>
    segments.map((segment) => ({ curve: curveOf(segment), box: segmentBounds(segment) })),
  )
  return (p, enough = 0) => {
    let least = Infinity
    for (const { curve, box } of walls) {
      const dx = Math.max(box.x - p.x, 0, p.x - box.x - box.w),
        dy = Math.max(box.y - p.y, 0, p.y - box.y - box.h)
      if (dx * dx + dy * dy >= least * least) continue
      least = Math.min(least, nearestOnCurve(curve, p).distance)
      if (least <= enough) break
    }
    return least
  }
}
