import type { Path } from '../../geometry/path'
import { combine } from '../../planar/boolean'

/** Joins outlines: closed ones become one area, open lines stay lines. */
export function together(paths: readonly Path[]): Path {
  const closed = paths.map((path) => path.filter((contour) => contour.closed)).filter((path) => path.length > 0)
  return [
    ...combine(closed.map((path) => ({ path, role: 'adds' as const }))),
    ...paths.flatMap((path) => path.filter((contour) => !contour.closed)),
  ]
}

/** Several areas as one. */
export const united = (paths: readonly Path[]): Path => combine(paths.map((path) => ({ path, role: 'adds' as const })))
