import { type Curve, parameterAt } from '../geometry/curve'
import { intersect } from '../geometry/intersect'
import { nearestOnCurve } from '../geometry/nearest'
import { cross, distance, dot, type Point, subtract } from '../geometry/point'
import { pointAt } from '../geometry/segment'
import { slopeAt } from '../geometry/slope'
import { tangentPlaces, type Touched } from '../geometry/solve'
import type { SnapPoint } from './targets'
import { PARALLEL, SAME_POINT } from '../geometry/tolerance'

/** The curves that pass within reach of a point. */
export function curvesNear(curves: readonly Curve[], p: Point, reach: number): Curve[] {
  return curves.filter((curve) => {
    const { x, y, w, h } = curve.box
    if (p.x < x - reach || p.x > x + w + reach || p.y < y - reach || p.y > y + h + reach) return false
    return nearestOnCurve(curve, p).distance <= reach
  })
}

/** Where curves cross or touch each other. More than a dozen in one place are not told apart. */
export function crossingsOf(curves: readonly Curve[]): SnapPoint[] {
  const found: SnapPoint[] = []
  const few = curves.slice(0, 12)
  few.forEach((a, i) => {
    for (const b of few.slice(i + 1))
      found.push(...intersect(a, b).meetings.map(({ at }) => ({ at, label: 'crossing' })))
  })
  return found
}

/** The places of a curve where a line from a point touches it, and where it meets it at a right angle. */
export function touchesFrom(from: Point, curve: Curve, near: Point): SnapPoint[] {
  const { segment, round } = curve
  const found: SnapPoint[] = []
  const on = (at: Point, label: string) => {
    if (distance(at, from) > 1e-6 && parameterAt(curve, at, 1e-7) !== null) found.push({ at, label })
  }
  if (segment.kind === 'line') {
    const d = subtract(segment.to, segment.from),
      k = dot(subtract(from, segment.from), d) / dot(d, d)
    on({ x: segment.from.x + d.x * k, y: segment.from.y + d.y * k }, 'perpendicular')
    return found
  }
  if (round && round.rx === round.ry) {
    const { centre, rx: r } = round
    for (const at of tangentPlaces(from, { centre, r })) on(at, 'tangent')
    const away = distance(from, centre)
    if (away > SAME_POINT)
      for (const side of [1, -1])
        on(
          {
            x: centre.x + ((from.x - centre.x) * side * r) / away,
            y: centre.y + ((from.y - centre.y) * side * r) / away,
          },
          'perpendicular',
        )
    return found
  }
  const start = nearestOnCurve(curve, near).t
  const touch = root(start, (t) => cross(subtract(pointAt(segment, t), from), slopeAt(segment, t)))
  if (touch !== null) on(pointAt(segment, touch), 'tangent')
  const foot = root(start, (t) => dot(subtract(pointAt(segment, t), from), slopeAt(segment, t)))
  if (foot !== null) on(pointAt(segment, foot), 'perpendicular')
  return found
}

/** A root of a function on 0..1 near a start, by the secant method; null if it does not converge. */
function root(start: number, f: (t: number) => number): number | null {
  let a = Math.max(0, start - 0.02),
    b = Math.min(1, start + 0.02),
    fa = f(a),
    fb = f(b)
  for (let i = 0; i < 40; i++) {
    if (fa === fb) return null
    const c = b - (fb * (b - a)) / (fb - fa)
    if (!(c >= -0.2 && c <= 1.2)) return null
    a = b
    fa = fb
    b = c
    fb = f(c)
    if (Math.abs(b - a) < PARALLEL) break
  }
  return Math.abs(b - a) < SAME_POINT && b >= 0 && b <= 1 ? b : null
}

/** The line or circle that a curve is a part of; null for ellipses and cubics. */
export function carrierOf({ segment, round }: Curve): Touched | null {
  if (segment.kind === 'line') return { a: segment.from, b: segment.to }
  return round && round.rx === round.ry ? { centre: round.centre, r: round.rx } : null
}

/** The line or circle that passes nearest to a point, within reach. */
export function nearestCarrier(curves: readonly Curve[], p: Point, reach: number): Touched | null {
  const near = curvesNear(curves, p, reach).flatMap((curve) => {
    const carrier = carrierOf(curve)
    return carrier ? [{ carrier, away: nearestOnCurve(curve, p).distance }] : []
  })
  return near.sort((a, b) => a.away - b.away)[0]?.carrier ?? null
}

/** The nearest of some places to a point, within reach. */
export function nearestPlace(places: readonly SnapPoint[], p: Point, reach: number): SnapPoint | null {
  let best: SnapPoint | null = null,
    least = reach
  for (const place of places) {
    const away = distance(place.at, p)
    if (away <= least) {
      least = away
      best = place
    }
  }
  return best
}
