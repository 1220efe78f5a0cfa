import type { Path } from '../../geometry/path'
import { distance, type Point } from '../../geometry/point'
import { pointAt } from '../../geometry/segment'

/** How far an outline may be from where plain scaling has one, in units of the other grid. */
const FAR = 1.75
/** How many straight pieces stand for a curve. */
const PIECES = 6

/** Whether the outline of an ink leads where plain scaling has none: it is another picture then. */
export function isStray(ink: Path, plain: Path): boolean {
  const pieces = plain.flatMap(({ segments }) =>
    segments.flatMap((segment): (readonly [Point, Point])[] => {
      const count = segment.kind === 'line' ? 1 : PIECES
      const at = (k: number) => pointAt(segment, k / count)
      return Array.from({ length: count }, (_, k) => [at(k), at(k + 1)] as const)
    }),
  )
  return ink.some(({ segments }) =>
    segments.some((segment) =>
      [0.25, 0.5, 0.75, 1].some((t) => {
        const p = pointAt(segment, t)
        return pieces.every(([a, b]) => distanceTo(p, a, b) > FAR)
      }),
    ),
  )
}

/** The distance of a point from a straight piece. */
function distanceTo(p: Point, a: Point, b: Point): number {
  const dx = b.x - a.x,
    dy = b.y - a.y,
    long = dx * dx + dy * dy
  const t = long === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / long))
  return distance(p, { x: a.x + t * dx, y: a.y + t * dy })
}
