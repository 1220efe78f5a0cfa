import { area } from '../geometry/area'
import { distanceTo } from '../geometry/distance-to'
import { type Path, pathBounds } from '../geometry/path'
import { pointAt } from '../geometry/segment'

/** Where along each segment two outlines are compared. */
const PLACES = [0, 0.25, 0.5, 0.75]

/** Whether two areas are equal: their outlines are within a distance of each other, and they have the same area. */
export function isSameOutline(a: Path, b: Path, within: number): boolean {
  const box = pathBounds(b)
  if (!box || a.length === 0) return false
  if (Math.abs(Math.abs(area(a)) - Math.abs(area(b))) > 2 * within * (box.w + box.h)) return false
  return liesOn(a, b, within) && liesOn(b, a, within)
}

function liesOn(path: Path, other: Path, within: number): boolean {
  const away = distanceTo(other)
  return path.every(({ segments }) =>
    segments.every((segment) => PLACES.every((t) => away(pointAt(segment, t), within) <= within)),
  )
}
