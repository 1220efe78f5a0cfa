import { arcParameter, type Curve, toUnitCircle } from '../geometry/curve'
import { dot, type Point } from '../geometry/point'
import { rootsOnUnit } from '../geometry/roots'
import { pointAt } from '../geometry/segment'
import { shareAt, wayOf } from '../drawing/model/gradient'
import type { Gradient } from '../drawing/model/paint'
import type { SnapPoint, SnapTargets } from './targets'
import { ROUNDING, SAME_PARAMETER } from '../geometry/tolerance'

/**
 * The share of a gradient at which its line of one colour goes through a node or another place, or touches a curve,
 * near a share; of radial gradients through places alone. `reach` in grid units, along the way: how far off the place
 * lies across it does not matter.
 */
export function snapShade(
  gradient: Gradient,
  share: number,
  targets: SnapTargets,
  reach: number,
): { share: number; place: SnapPoint } | null {
  const { from, to } = wayOf(gradient)
  const long = Math.hypot(to.x - from.x, to.y - from.y)
  if (long === 0) return null
  const d = { x: (to.x - from.x) / long, y: (to.y - from.y) / long }
  const touching =
    gradient.kind === 'linear' && targets.on.tangents
      ? targets.edges.flatMap((curve) => extremes(curve, d).map((at) => ({ at, label: 'tangent' })))
      : []
  let best: { share: number; place: SnapPoint } | null = null,
    least = reach / long
  for (const place of [...targets.points, ...touching]) {
    const there = shareAt(gradient, place.at),
      away = Math.abs(there - share)
    if (away < least - ROUNDING) {
      least = away
      best = { share: there, place }
    }
  }
  return best
}

/** Where a curve goes farthest in a direction or back from it, between its ends. */
function extremes({ segment, round }: Curve, d: Point): Point[] {
  if (segment.kind === 'cubic') {
    const [p, q, r, s] = [segment.from, segment.c1, segment.c2, segment.to].map((one) => dot(one, d)) as [
      number,
      number,
      number,
      number,
    ]
    const a = q - p,
      b = r - q,
      c = s - r
    return rootsOnUnit([a, 2 * (b - a), a - 2 * b + c], ROUNDING).map(({ t }) => pointAt(segment, t))
  }
  if (!round) return []
  const x = dot(round.u, d),
    y = dot(round.v, d),
    length = Math.hypot(x, y) || 1
  return [1, -1].flatMap((sign) => {
    const at = {
      x: round.centre.x + (sign * (round.u.x * x + round.v.x * y)) / length,
      y: round.centre.y + (sign * (round.u.y * x + round.v.y * y)) / length,
    }
    const unit = toUnitCircle(round, at)
    return arcParameter(round, Math.atan2(unit.y, unit.x)) <= 1 + SAME_PARAMETER ? [at] : []
  })
}
