import type { Contour, Path } from '../../geometry/path'
import { cross, dot } from '../../geometry/point'
import { directionAt } from '../../geometry/slope'
import { SMOOTH } from '../../geometry/tolerance'

/** Whether a path has open ends, which caps are seen at. */
export const hasEnds = (path: Path): boolean => path.some(({ closed }) => !closed)

/** Whether a path has corners, which joins are seen at. */
export const hasCorners = (path: Path): boolean => path.some(isCornered)

function isCornered({ segments, closed }: Contour): boolean {
  return segments.some((segment, i) => {
    const next = segments[i + 1] ?? (closed ? segments[0] : undefined)
    if (!next || next === segment) return false
    const into = directionAt(segment, 1),
      out = directionAt(next, 0)
    return Math.abs(Math.atan2(cross(into, out), dot(into, out))) > SMOOTH
  })
}
