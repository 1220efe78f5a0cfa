import type { Meeting } from './meeting'
import { distance } from './point'
import { type Cubic, pointAt } from './segment'
import { LAST_BIT, ROUNDING } from './tolerance'

/** The nearest parameter within a segment. */
export const clamp = (t: number): number => Math.max(0, Math.min(1, t))

/** The most steps of Newton's method, and the most steps that may fail to halve the gap before the place is dropped. */
const STEPS = 24,
  FAILURES = 2

/**
 * Refines a meeting of two cubics by Newton's method; where they are parallel, the place where they are nearest.
 * Convergence is quadratic at a crossing and by a factor of four at a touch; a slower one means that the cubics run
 * beside each other.
 */
export function polish(a: Cubic, b: Cubic, s: number, t: number, tolerance: number): Meeting | null {
  let before = Infinity,
    failures = 0
  for (let i = 0; i < STEPS; i++) {
    const p = 1 - s,
      q = 1 - t
    const p0 = p * p * p,
      p1 = 3 * p * p * s,
      p2 = 3 * p * s * s,
      p3 = s * s * s,
      q0 = q * q * q,
      q1 = 3 * q * q * t,
      q2 = 3 * q * t * t,
      q3 = t * t * t
    const gx =
      q0 * b.from.x +
      q1 * b.c1.x +
      q2 * b.c2.x +
      q3 * b.to.x -
      (p0 * a.from.x + p1 * a.c1.x + p2 * a.c2.x + p3 * a.to.x)
    const gy =
      q0 * b.from.y +
      q1 * b.c1.y +
      q2 * b.c2.y +
      q3 * b.to.y -
      (p0 * a.from.y + p1 * a.c1.y + p2 * a.c2.y + p3 * a.to.y)
    const gap = gx * gx + gy * gy
    if (gap > 0.25 * before && gap > tolerance * tolerance && ++failures > FAILURES) return null
    before = gap
    const d0 = 3 * p * p,
      d1 = 6 * p * s,
      d2 = 3 * s * s,
      e0 = 3 * q * q,
      e1 = 6 * q * t,
      e2 = 3 * t * t
    const dx = d0 * (a.c1.x - a.from.x) + d1 * (a.c2.x - a.c1.x) + d2 * (a.to.x - a.c2.x),
      dy = d0 * (a.c1.y - a.from.y) + d1 * (a.c2.y - a.c1.y) + d2 * (a.to.y - a.c2.y)
    const ex = e0 * (b.c1.x - b.from.x) + e1 * (b.c2.x - b.c1.x) + e2 * (b.to.x - b.c2.x),
      ey = e0 * (b.c1.y - b.from.y) + e1 * (b.c2.y - b.c1.y) + e2 * (b.to.y - b.c2.y)
    const across = dx * ey - dy * ex,
      dd = dx * dx + dy * dy,
      ee = ex * ex + ey * ey
    const parallel = across * across <= ROUNDING * dd * ee
    const stepS = parallel ? (gx * dx + gy * dy) / (2 * dd) : (gx * ey - gy * ex) / across
    const stepT = parallel ? -(gx * ex + gy * ey) / (2 * ee) : (gx * dy - gy * dx) / across
    s = clamp(s + stepS)
    t = clamp(t + stepT)
    if (Math.abs(stepS) + Math.abs(stepT) < LAST_BIT) break
  }
  const at = pointAt(a, s)
  return distance(at, pointAt(b, t)) <= tolerance ? { at, s, t } : null
}
