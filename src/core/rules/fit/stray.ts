import { distanceTo } from '../../geometry/distance-to'
import type { Path } from '../../geometry/path'
import { pointAt } from '../../geometry/segment'

/** How far an outline may be from where plain scaling has one, in units of the other grid. */
const FAR = 1.75

/** Whether an outline of an ink lies far from every outline of the scaled drawing, so that it is another picture. */
export function isStray(ink: Path, plain: Path): boolean {
  const away = distanceTo(plain)
  return ink.some(({ segments }) =>
    segments.some((segment) => [0.25, 0.5, 0.75, 1].some((t) => away(pointAt(segment, t), FAR) > FAR)),
  )
}
