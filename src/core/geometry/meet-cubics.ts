import { powers, product, type Round, toUnitCircle } from './curve'
import type { Meeting } from './meeting'
import { clamp } from './polish-meeting'
import { onArc } from './meet-lines-arcs'
import { cross, dot, hypot, type Point, subtract } from './point'
import { rootsOnUnit } from './roots'
import { type Cubic, type Line, pointAt } from './segment'

/** Meetings of a cubic (s) with a line (t): the cubic's distance from the line is a polynomial of degree three. */
export function cubicLine(cubic: Cubic, line: Line, tolerance: number): Meeting[] {
  const d = subtract(line.to, line.from)
  const length = hypot(d.x, d.y)
  const away = (p: Point) => cross(d, subtract(p, line.from)) / length
  const a0 = away(cubic.from),
    a1 = away(cubic.c1),
    a2 = away(cubic.c2),
    a3 = away(cubic.to)
  if (
    (a0 > tolerance && a1 > tolerance && a2 > tolerance && a3 > tolerance) ||
    (a0 < -tolerance && a1 < -tolerance && a2 < -tolerance && a3 < -tolerance)
  )
    return []
  return rootsOnUnit(powers(a0, a1, a2, a3), tolerance).flatMap(({ t: s }) => {
    const p = pointAt(cubic, s)
    const t = dot(d, subtract(p, line.from)) / (length * length)
    return t < -tolerance / length || t > 1 + tolerance / length
      ? []
      : [{ at: pointAt(line, clamp(t)), s, t: clamp(t) }]
  })
}

/**
 * Meetings of a cubic (s) with an arc (t): its distance from the unit circle, squared, is a polynomial of degree six.
 */
export function cubicArc(cubic: Cubic, arc: Round, tolerance: number): Meeting[] {
  const p0 = toUnitCircle(arc, cubic.from),
    p1 = toUnitCircle(arc, cubic.c1),
    p2 = toUnitCircle(arc, cubic.c2),
    p3 = toUnitCircle(arc, cubic.to)
  const slack = tolerance / Math.min(arc.rx, arc.ry)
  // No meeting when the whole hull lies within the ellipse, or when the chord is farther outside than the curve may
  // deviate from it.
  if (inside(p0, slack) && inside(p1, slack) && inside(p2, slack) && inside(p3, slack)) return []
  if (
    chordAway(p0, p3) >
    1 +
      slack +
      0.75 *
        Math.max(
          hypot(p0.x - 2 * p1.x + p2.x, p0.y - 2 * p1.y + p2.y),
          hypot(p1.x - 2 * p2.x + p3.x, p1.y - 2 * p2.y + p3.y),
        )
  )
    return []
  const x = powers(p0.x, p1.x, p2.x, p3.x),
    y = powers(p0.y, p1.y, p2.y, p3.y)
  const yy = product(y, y)
  const f = product(x, x).map((value, i) => value + yy[i]! - (i === 0 ? 1 : 0))
  return rootsOnUnit(f, (2 * tolerance) / Math.min(arc.rx, arc.ry)).flatMap(({ t: s }) => {
    const at = pointAt(cubic, s)
    const q = toUnitCircle(arc, at)
    const t = onArc(arc, Math.atan2(q.y, q.x), tolerance)
    return t === null ? [] : [{ at, s, t }]
  })
}

const inside = (p: Point, slack: number): boolean => p.x * p.x + p.y * p.y < (1 - 2 * slack) * (1 - 2 * slack)

/** How far a chord is from the origin. */
function chordAway(p: Point, q: Point): number {
  const dx = q.x - p.x,
    dy = q.y - p.y
  const t = Math.max(0, Math.min(1, -(p.x * dx + p.y * dy) / (dx * dx + dy * dy || 1)))
  return hypot(p.x + t * dx, p.y + t * dy)
}
