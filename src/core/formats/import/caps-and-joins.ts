import type { Contour, Path } from '../../geometry/path'
import { cross, dot } from '../../geometry/point'
import { directionAt } from '../../geometry/slope'
import { SMOOTH } from '../../geometry/tolerance'

/** Whether caps are seen on a stroked path: at its open ends. */
export const showsCaps = (path: Path): boolean => path.some(({ closed }) => !closed)

/** Whether joins are seen on a stroked path: at its corners. */
export const showsJoins = (path: Path): boolean => path.some(turns)

function turns({ segments, closed }: Contour): boolean {
  return segments.some((segment, i) => {
    const next = segments[i + 1] ?? (closed ? segments[0] : undefined)
    if (!next || next === segment) return false
    const into = directionAt(segment, 1),
      out = directionAt(next, 0)
    return Math.abs(Math.atan2(cross(into, out), dot(into, out))) > SMOOTH
  })
}
