import { cubic, cubicSlope, nearestFrom } from '../geometry/cubic'
import { keepTime } from '../geometry/deadline'
import { distance, dot, hypot, mix, type Point } from '../geometry/point'
import { type Cubic, pointAt } from '../geometry/segment'
import { SAME_POINT } from '../geometry/tolerance'

/** A curve to be followed by cubics: its place and unit direction at a parameter. */
export type Course = (t: number) => { readonly at: Point; readonly direction: Point }

/** A cubic and how far the points it was fitted to lie from it at most. */
type CubicFit = { readonly cubic: Cubic; readonly error: number }

/** How often the handles are improved at most; near the end each step about doubles the digits. */
const STEPS = 30

/**
 * Four-point least-squares curve fit: the cubic nearest to points, with given unit directions at both ends. Its two
 * handle lengths minimise squared distances across the curve (Levenberg–Marquardt), from a start by chord lengths
 * (Schneider, Graphics Gems 1990), until the error is `enough`.
 */
export function fitCubic(points: readonly Point[], leaving: Point, arriving: Point, enough = 0): CubicFit {
  const from = points[0]!,
    to = points[points.length - 1]!
  const chord = distance(from, to),
    least = 1e-3 * chord,
    most = 4 * chord
  const made = (a: number, b: number) =>
    cubic(
      from,
      { x: from.x + a * leaving.x, y: from.y + a * leaving.y },
      { x: to.x - b * arriving.x, y: to.y - b * arriving.y },
      to,
    )
  const within = (length: number) => Math.max(least, Math.min(most, length))
  let at = alongChords(points)
  let [a, b] = byParameters(points, at, leaving, arriving, chord)
  a = within(a)
  b = within(b)
  let best = normals(points, made(a, b), at, leaving, arriving)
  at = best.at
  let damping = 1e-3
  for (let step = 0; step < STEPS && best.error > enough; step++) {
    const { aa, ab, bb, ar, br } = best
    const p = aa * (1 + damping) + 1e-30,
      q = bb * (1 + damping) + 1e-30,
      det = p * q - ab * ab
    const a1 = within(a - (ar * q - br * ab) / det),
      b1 = within(b - (br * p - ar * ab) / det)
    const moved = Math.abs(a1 - a) + Math.abs(b1 - b)
    const next = normals(points, made(a1, b1), at, leaving, arriving)
    // What hardly improves will not come near enough.
    const hardly = enough > 0 && next.squares > 0.98 * best.squares && next.error > 40 * enough
    if (next.squares < best.squares) {
      best = next
      at = next.at
      a = a1
      b = b1
      damping /= 8
    } else damping *= 6
    if (hardly || moved < 1e-8 * chord || damping > 1e9) break
  }
  return { cubic: made(a, b), error: best.error }
}

/** The handle lengths by which the places at given parameters are nearest to the points. */
function byParameters(
  points: readonly Point[],
  at: readonly number[],
  leaving: Point,
  arriving: Point,
  chord: number,
): [number, number] {
  const from = points[0]!,
    to = points[points.length - 1]!,
    both = dot(leaving, arriving)
  let aa = 0,
    ab = 0,
    bb = 0,
    ar = 0,
    br = 0
  for (let i = 1; i < points.length - 1; i++) {
    const t = at[i]!,
      s = 1 - t,
      ka = 3 * s * s * t,
      kb = -3 * s * t * t
    const k0 = s * s * (s + 3 * t),
      k1 = t * t * (t + 3 * s)
    const rx = points[i]!.x - k0 * from.x - k1 * to.x,
      ry = points[i]!.y - k0 * from.y - k1 * to.y
    aa += ka * ka
    bb += kb * kb
    ab += ka * kb * both
    ar += ka * (rx * leaving.x + ry * leaving.y)
    br += kb * (rx * arriving.x + ry * arriving.y)
  }
  const det = aa * bb - ab * ab
  const a = (ar * bb - br * ab) / det,
    b = (br * aa - ar * ab) / det
  return a > 0 && b > 0 && Number.isFinite(a + b) ? [a, b] : [chord / 3, chord / 3]
}

/**
 * The normal equations of a cubic's handle lengths for the distances of points across it, at the nearest parameter of
 * each.
 */
function normals(points: readonly Point[], curve: Cubic, start: readonly number[], leaving: Point, arriving: Point) {
  const at = [...start]
  let aa = 0,
    ab = 0,
    bb = 0,
    ar = 0,
    br = 0,
    squares = 0,
    error = 0
  for (let i = 1; i < points.length - 1; i++) {
    const p = points[i]!
    const t = (at[i] = nearestFrom(curve, p, at[i]!)),
      s = 1 - t
    const q = pointAt(curve, t),
      slope = cubicSlope(curve, t),
      speed = hypot(slope.x, slope.y) || 1
    const rx = q.x - p.x,
      ry = q.y - p.y,
      nx = -slope.y / speed,
      ny = slope.x / speed
    const ja = 3 * s * s * t * (nx * leaving.x + ny * leaving.y),
      jb = -3 * s * t * t * (nx * arriving.x + ny * arriving.y),
      r = rx * nx + ry * ny
    aa += ja * ja
    ab += ja * jb
    bb += jb * jb
    ar += ja * r
    br += jb * r
    squares += rx * rx + ry * ry
    error = Math.max(error, hypot(rx, ry))
  }
  return { at, aa, ab, bb, ar, br, squares, error }
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
/**
 * The most cubics a course is fitted with, and the number of lines that replace a stretch no cubic fits: such a course
 * is too wild for any picture.
 */
const MOST = 64,
  LINES = 48

/**
 * Fits few cubics to a course between two parameters, within a tolerance; each is as long as possible, and they share
 * their directions where they join. Stretches that no cubic fits become lines. `checks` is the number of points at
 * which each cubic is checked.
 */
export function follow(course: Course, tolerance: number, from = 0, to = 1, checks = CHECKS): Cubic[] {
  const fit = (a: number, b: number): CubicFit => {
    const start = course(a),
      end = course(b)
    const points = [start.at]
    for (let i = 1; i <= checks; i++) points.push(course(a + ((b - a) * i) / (checks + 1)).at)
    points.push(end.at)
    // A stretch within the tolerance of a point needs no closer fit.
    if (points.every((p) => distance(p, start.at) <= tolerance / 4))
      return { cubic: straight(start.at, end.at), error: 0 }
    const found = fitCubic(points, start.direction, end.direction, tolerance / 4)
    return mayRunBack(found.cubic, points) ? { cubic: found.cubic, error: Infinity } : found
  }
  const cubics: Cubic[] = []
  for (let at = from; to - at > SAME_POINT;) {
    keepTime()
    const stretch = cubics.length < MOST ? longest(fit, at, to, tolerance) : null
    if (stretch) {
      cubics.push(stretch.cubic)
      at = stretch.to
      continue
    }
    const end = cubics.length < MOST ? at + (to - at) / 2 ** HALVINGS : to
    for (let i = 0; i < LINES; i++)
      cubics.push(straight(course(at + ((end - at) * i) / LINES).at, course(at + ((end - at) * (i + 1)) / LINES).at))
    at = end
  }
  return cubics
}

/**
 * True where the handles of a cubic are together longer than the course it follows: it may run back on itself between
 * points that it passes near enough.
 */
function mayRunBack({ from, c1, c2, to }: Cubic, points: readonly Point[]): boolean {
  let length = 0
  for (let i = 1; i < points.length; i++) length += distance(points[i - 1]!, points[i]!)
  return distance(from, c1) + distance(c2, to) > length
}

const straight = (from: Point, to: Point): Cubic => cubic(from, mix(from, to, 1 / 3), mix(from, to, 2 / 3), to)

/** How often a stretch is shortened at most until a cubic fits it. */
const HALVINGS = 9

/** The longest stretch from a parameter on that a cubic fits; null where none does. */
function longest(
  fit: (a: number, b: number) => CubicFit,
  at: number,
  to: number,
  tolerance: number,
): { cubic: Cubic; to: number } | null {
  let last = fit(at, to)
  if (last.error <= tolerance) return { cubic: last.cubic, to }
  let best: CubicFit | null = null,
    fits = at,
    fails = to
  for (let i = 0; i < HALVINGS; i++) {
    // The error grows about as the sixth power of the length; where it does not, by larger and larger steps.
    const share = Math.max(0.2, Math.min(1 - 0.03 * 2 ** Math.min(i, 4), (tolerance / last.error) ** (1 / 6)))
    const guess = best ? (fits + fails) / 2 : at + share * (fails - at)
    last = fit(at, guess)
    if (last.error <= tolerance) {
      fits = guess
      best = last
      if (fails - fits < 0.02 * (fits - at)) break
    } else fails = guess
  }
  return best && { cubic: best.cubic, to: fits }
}
