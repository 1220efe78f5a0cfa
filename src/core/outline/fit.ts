import { cubic, cubicSlope, nearestFrom } from '../geometry/cubic'
import { distance, dot, type Point } from '../geometry/point'
import { type Cubic, pointAt } from '../geometry/segment'

/** A curve to be followed by cubics: its place and unit direction at a parameter. */
export type Course = (t: number) => { readonly at: Point; readonly direction: Point }

/** A cubic and how far the points it was fitted to lie from it at most. */
export type Fit = { readonly cubic: Cubic; readonly error: number }

/** How often the handles are improved at most; each step about doubles the digits. */
const STEPS = 8

/**
 * The cubic nearest to points, from the first to the last of them, leaving and arriving in given unit directions. Its two handle
 * lengths are what least squares over the distances across the curve come to (Gauss and Newton's method; squared distance
 * minimisation of Pottmann and others), from the start that chord lengths give (Schneider, Graphics Gems 1990).
 */
export function fitCubic(points: readonly Point[], leaving: Point, arriving: Point): Fit {
  const from = points[0]!, to = points[points.length - 1]!
  const chord = distance(from, to)
  const at = alongChords(points)
  let a = chord / 3, b = chord / 3
  const made = () => cubic(from, { x: from.x + a * leaving.x, y: from.y + a * leaving.y }, { x: to.x - b * arriving.x, y: to.y - b * arriving.y }, to)
  let best: Fit = { cubic: made(), error: Infinity }
  for (let step = 0; step < STEPS; step++) {
    const curve = made()
    let aa = 0, ab = 0, bb = 0, ar = 0, br = 0, error = 0
    for (let i = 1; i < points.length - 1; i++) {
      const p = points[i]!
      const t = step === 0 ? at[i]! : (at[i] = nearestFrom(curve, p, at[i]!))
      const q = pointAt(curve, t), s = 1 - t
      const rx = q.x - p.x, ry = q.y - p.y
      const ka = 3 * s * s * t, kb = -3 * s * t * t
      error = Math.max(error, Math.hypot(rx, ry))
      if (step === 0) {
        // By the same parameter: whole vectors count.
        const dab = dot(leaving, arriving)
        aa += ka * ka
        bb += kb * kb
        ab += ka * kb * dab
        ar += ka * (rx * leaving.x + ry * leaving.y)
        br += kb * (rx * arriving.x + ry * arriving.y)
        continue
      }
      const slope = cubicSlope(curve, t), speed = Math.hypot(slope.x, slope.y) || 1
      const nx = -slope.y / speed, ny = slope.x / speed
      const ja = ka * (nx * leaving.x + ny * leaving.y), jb = kb * (nx * arriving.x + ny * arriving.y), r = rx * nx + ry * ny
      aa += ja * ja
      ab += ja * jb
      bb += jb * jb
      ar += ja * r
      br += jb * r
    }
    if (step > 0 && error < best.error) best = { cubic: curve, error }
    const ease = 1e-9 * (aa + bb) + 1e-30
    const det = (aa + ease) * (bb + ease) - ab * ab
    const da = (ar * (bb + ease) - br * ab) / det, db = (br * (aa + ease) - ar * ab) / det
    const least = 1e-3 * chord, most = 4 * chord
    const a1 = Math.max(least, Math.min(most, a - da)), b1 = Math.max(least, Math.min(most, b - db))
    if (step > 1 && Math.abs(a1 - a) + Math.abs(b1 - b) < 1e-7 * chord) break
    a = a1
    b = b1
  }
  return best
}

/** A parameter for each point by the length of the chords up to it. */
function alongChords(points: readonly Point[]): number[] {
  const at = [0]
  for (let i = 1; i < points.length; i++) at.push(at[i - 1]! + distance(points[i - 1]!, points[i]!))
  const whole = at[at.length - 1]! || 1
  return at.map((length) => length / whole)
}

/** How many points between its ends a cubic is checked at. */
const CHECKS = 14
/** How often a course may be cut at most: what is still not met then is too wild for any picture. */
const MOST = 64

/** Cubics along a course between two parameters, within a tolerance, few of them: each as long as it can be. Directions at cuts agree. */
export function follow(course: Course, tolerance: number, from = 0, to = 1): Cubic[] {
  const fit = (a: number, b: number): Fit => {
    const start = course(a), end = course(b)
    const points = [start.at]
    for (let i = 1; i <= CHECKS; i++) points.push(course(a + ((b - a) * i) / (CHECKS + 1)).at)
    points.push(end.at)
    return fitCubic(points, start.direction, end.direction)
  }
  const cubics: Cubic[] = []
  let at = from
  while (cubics.length < MOST) {
    let best = fit(at, to)
    if (best.error <= tolerance) return [...cubics, best.cubic]
    let fits = at, fails = to
    for (let i = 0; i < 9; i++) {
      const middle = (fits + fails) / 2
      const one = fit(at, middle)
      if (one.error <= tolerance) {
        fits = middle
        best = one
        if (fails - fits < 0.02 * (fits - at)) break
      } else fails = middle
    }
    if (fits === at) {
      fits = fails
      best = fit(at, fits)
    }
    cubics.push(best.cubic)
    at = fits
    if (to - at < 1e-9) return cubics
  }
  return [...cubics, fit(at, to).cubic]
}
