import { type Curve, curveOf, nearestParameter } from './curve'
import type { Path } from './path'
import { distance, type Point } from './point'
import { pointAt } from './segment'

/** The nearest place of a path to a point: which contour and segment, at which parameter, and how far away. */
type Nearest = {
  readonly contour: number
  readonly segment: number
  readonly t: number
  readonly at: Point
  readonly distance: number
}

/** The nearest place of a path to a point; null for a path without segments. */
export function nearestOnPath(path: Path, p: Point): Nearest | null {
  let best: Nearest | null = null
  path.forEach(({ segments }, contour) =>
    segments.forEach((segment, index) => {
      const { t, at, distance: away } = nearestOnCurve(curveOf(segment), p)
      if (!best || away < best.distance) best = { contour, segment: index, t, at, distance: away }
    }),
  )
  return best
}

export function nearestOnCurve(curve: Curve, p: Point): { t: number; at: Point; distance: number } {
  const t = nearestParameter(curve, p)
  const at = t === 0 ? curve.segment.from : t === 1 ? curve.segment.to : pointAt(curve.segment, t)
  return { t, at, distance: distance(at, p) }
}
