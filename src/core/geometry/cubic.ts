import { cross, dot, hypot, mix, type Point, point } from './point'
import type { Cubic } from './segment'
import { LAST_BIT } from './tolerance'

export const cubic = (from: Point, c1: Point, c2: Point, to: Point): Cubic => ({ kind: 'cubic', from, c1, c2, to })

/** A cubic in two at a parameter (de Casteljau). */
export function splitCubic({ from, c1, c2, to }: Cubic, t: number): [Cubic, Cubic] {
  const a = mix(from, c1, t),
    b = mix(c1, c2, t),
    c = mix(c2, to, t),
    d = mix(a, b, t),
    e = mix(b, c, t),
    f = mix(d, e, t)
  return [cubic(from, a, d, f), cubic(f, e, c, to)]
}

/** The first derivative of a cubic by its parameter. */
export function cubicSlope({ from, c1, c2, to }: Cubic, t: number): Point {
  const s = 1 - t,
    k0 = 3 * s * s,
    k1 = 6 * s * t,
    k2 = 3 * t * t
  return {
    x: k0 * (c1.x - from.x) + k1 * (c2.x - c1.x) + k2 * (to.x - c2.x),
    y: k0 * (c1.y - from.y) + k1 * (c2.y - c1.y) + k2 * (to.y - c2.y),
  }
}

/** The second derivative of a cubic by its parameter. */
export function cubicBend({ from, c1, c2, to }: Cubic, t: number): Point {
  const s = 6 * (1 - t),
    k = 6 * t
  return {
    x: s * (from.x - 2 * c1.x + c2.x) + k * (c1.x - 2 * c2.x + to.x),
    y: s * (from.y - 2 * c1.y + c2.y) + k * (c1.y - 2 * c2.y + to.y),
  }
}

/**
 * The largest distance of a cubic from its chord. A part of the cubic over a share h of its parameter is within h² of
 * this (an eighth of the largest second derivative bounds the distance of a curve from its chord).
 */
function sag({ from, c1, c2, to }: Cubic): number {
  return (
    0.75 *
    Math.max(
      hypot(from.x - 2 * c1.x + c2.x, from.y - 2 * c1.y + c2.y),
      hypot(c1.x - 2 * c2.x + to.x, c1.y - 2 * c2.y + to.y),
    )
  )
}

/**
 * Both parameters at which a cubic crosses itself, the lesser first; null when it does not. In closed form: the chord
 * of P(s) − P(t) over s − t vanishes.
 */
export function selfMeeting({ from, c1, c2, to }: Cubic): readonly [number, number] | null {
  const a = point(to.x - from.x + 3 * (c1.x - c2.x), to.y - from.y + 3 * (c1.y - c2.y))
  const b = point(3 * (from.x - 2 * c1.x + c2.x), 3 * (from.y - 2 * c1.y + c2.y))
  const c = point(3 * (c1.x - from.x), 3 * (c1.y - from.y))
  const ba = cross(b, a),
    aa = dot(a, a)
  if (ba === 0 || aa === 0) return null
  // With u = s + t and v = s·t: (u² − v)·a + u·b + c = 0.
  const u = -cross(c, a) / ba
  const v = u * u + (u * dot(b, a) + dot(c, a)) / aa
  const under = u * u - 4 * v
  if (!(under > 0)) return null
  const s = (u - Math.sqrt(under)) / 2,
    t = (u + Math.sqrt(under)) / 2
  return s >= 0 && t <= 1 ? [s, t] : null
}

/**
 * The parameter at which a cubic passes within a tolerance of a point, the one that comes nearest; null when it does
 * not.
 */
export function parameterOnCubic(curve: Cubic, p: Point, tolerance: number): number | null {
  const { from, c1, c2, to } = curve
  const all = sag(curve)
  // Coordinates relative to the point, from the constant upwards.
  const x0 = from.x - p.x,
    x1 = 3 * (c1.x - from.x),
    x2 = 3 * (from.x - 2 * c1.x + c2.x),
    x3 = to.x - from.x + 3 * (c1.x - c2.x)
  const y0 = from.y - p.y,
    y1 = 3 * (c1.y - from.y),
    y2 = 3 * (from.y - 2 * c1.y + c2.y),
    y3 = to.y - from.y + 3 * (c1.y - c2.y)
  let best = -1,
    least = tolerance * tolerance
  const search = (s: number, ax: number, ay: number, t: number, bx: number, by: number): void => {
    const h = t - s,
      away = all * h * h + tolerance
    const dx = bx - ax,
      dy = by - ay,
      square = dx * dx + dy * dy
    const k = square === 0 ? 0 : Math.max(0, Math.min(1, -(ax * dx + ay * dy) / square))
    const ex = ax + k * dx,
      ey = ay + k * dy
    if (ex * ex + ey * ey > away * away) return
    if (all * h * h < 0.02 * Math.sqrt(square) || h < 1e-7) {
      const near = nearestFrom(curve, p, s + k * h)
      const x = ((x3 * near + x2) * near + x1) * near + x0,
        y = ((y3 * near + y2) * near + y1) * near + y0
      const far = x * x + y * y
      if (far <= least) {
        least = far
        best = near
      }
      return
    }
    const m = (s + t) / 2,
      x = ((x3 * m + x2) * m + x1) * m + x0,
      y = ((y3 * m + y2) * m + y1) * m + y0
    search(s, ax, ay, m, x, y)
    search(m, x, y, t, bx, by)
  }
  search(0, x0, y0, 1, to.x - p.x, to.y - p.y)
  return best === -1 ? null : best
}

/** Newton's method for the nearest place of a cubic to a point, from a parameter near it, kept within 0..1. */
export function nearestFrom(curve: Cubic, p: Point, start: number): number {
  const x1 = 3 * (curve.c1.x - curve.from.x),
    x2 = 3 * (curve.from.x - 2 * curve.c1.x + curve.c2.x),
    x3 = curve.to.x - curve.from.x + 3 * (curve.c1.x - curve.c2.x)
  const y1 = 3 * (curve.c1.y - curve.from.y),
    y2 = 3 * (curve.from.y - 2 * curve.c1.y + curve.c2.y),
    y3 = curve.to.y - curve.from.y + 3 * (curve.c1.y - curve.c2.y)
  const x0 = curve.from.x - p.x,
    y0 = curve.from.y - p.y
  let t = start
  for (let i = 0; i < 16; i++) {
    const x = ((x3 * t + x2) * t + x1) * t + x0,
      y = ((y3 * t + y2) * t + y1) * t + y0
    const dx = (3 * x3 * t + 2 * x2) * t + x1,
      dy = (3 * y3 * t + 2 * y2) * t + y1
    const speed = dx * dx + dy * dy
    const slope = speed + x * (6 * x3 * t + 2 * x2) + y * (6 * y3 * t + 2 * y2)
    const next = Math.max(0, Math.min(1, t - (x * dx + y * dy) / (slope > 0 ? slope : speed || 1)))
    if (Math.abs(next - t) < LAST_BIT) return next
    t = next
  }
  return t
}
