import { keepTime } from '../geometry/deadline'
import { cross, distance, dot, hypot, type Point, subtract } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { curvatureAt, directionAt, slopeAt } from '../geometry/slope'
import { PARALLEL, ROUNDING, SAME_POINT, STRAIGHT } from '../geometry/tolerance'
import { beside } from './parallel'

/** Where an arc of a radius leaves the segment before a corner, at `s`, and reaches the one after, at `t`. */
export type Fillet = { readonly radius: number; readonly s: number; readonly t: number }

/** The arcs that touch both sides of a corner, for all radii up to `limit`. */
type Fillets = { readonly limit: number; readonly at: (radius: number) => Fillet }

/**
 * The largest step of a contact along a side between two points of the trace, so that Newton's method stays on its
 * branch.
 */
const STRIDE = 1 / 16

/** The most points of a trace; one that still advances by less is at its end. */
const PLACES = 600

/**
 * The angle by which the path turns between two segments, in radians, clockwise positive; 0 where it runs on or doubles
 * back.
 */
export function turnOf(a: Segment, b: Segment): number {
  const d = directionAt(a, 1),
    e = directionAt(b, 0)
  const turn = Math.atan2(cross(d, e), dot(d, e))
  return Math.abs(turn) < STRAIGHT || Math.PI - Math.abs(turn) < STRAIGHT ? 0 : turn
}

/**
 * The arcs of every radius up to a given one that touch the end of one segment and the start of the next. Between lines
 * they may be beyond the sides' far ends (`s` below 0, `t` above 1). Otherwise numerical continuation traces the branch
 * of touching circles from the corner, with Newton's method for the contacts, until the radius, the end of a side or a
 * turning point is reached (Allgower & Georg, Introduction to Numerical Continuation Methods, ch. 2).
 */
export function fillets(a: Segment, b: Segment, radius: number): Fillets {
  const turn = turnOf(a, b),
    tan = Math.tan(Math.abs(turn) / 2)
  if (a.kind === 'line' && b.kind === 'line') {
    const before = distance(a.from, a.to),
      after = distance(b.from, b.to)
    return { limit: radius, at: (r) => ({ radius: r, s: 1 - (r * tan) / before, t: (r * tan) / after }) }
  }
  const side = Math.sign(turn)
  const trace = grown(a, b, side, radius, tan)
  const limit = trace[trace.length - 1]!.radius
  return {
    limit,
    at: (r) => {
      const i = trace.findLastIndex((one) => one.radius <= r)
      if (i + 1 === trace.length) return trace[i]!
      const lo = trace[i]!,
        hi = trace[i + 1]!,
        k = (r - lo.radius) / (hi.radius - lo.radius)
      const guess = { radius: r, s: lo.s + (hi.s - lo.s) * k, t: lo.t + (hi.t - lo.t) * k }
      return contact(a, b, side, guess) ?? guess
    },
  }
}

function grown(a: Segment, b: Segment, side: number, radius: number, tan: number): Fillet[] {
  const corner: Fillet = { radius: 0, s: 1, t: 0 }
  const first = seed(a, b, side, radius, tan)
  if (!first) return [corner]
  const trace = [corner, first]
  let here = first
  for (let step = here.radius; here.radius < radius && trace.length < PLACES;) {
    keepTime()
    const ahead = drift(a, b, side, here)
    const stride = ahead ? STRIDE / Math.max(Math.abs(ahead.s), Math.abs(ahead.t), SAME_POINT) : step
    const by = Math.min(step, stride, radius - here.radius)
    if (by < 1e-13 * radius) break
    const next =
      ahead && contact(a, b, side, { radius: here.radius + by, s: here.s + ahead.s * by, t: here.t + ahead.t * by })
    if (next && Math.abs(next.s - here.s) < 2 * STRIDE && Math.abs(next.t - here.t) < 2 * STRIDE) {
      here = next
      trace.push(here)
      step = 2 * by
    } else step = by / 2
  }
  return trace
}

/** A circle so small that the sides are all but straight where it touches them. */
function seed(a: Segment, b: Segment, side: number, radius: number, tan: number): Fillet | null {
  for (let r = radius; r > SAME_POINT; r /= 4) {
    const s = 1 - reach((t) => pointAt(a, 1 - t), r * tan),
      t = reach((t) => pointAt(b, t), r * tan)
    const found = contact(a, b, side, { radius: r, s, t })
    if (
      found &&
      Math.abs(found.s - s) < STRIDE / 4 &&
      Math.abs(found.t - t) < STRIDE / 4 &&
      1 - found.s < 4 * STRIDE &&
      found.t < 4 * STRIDE
    )
      return found
  }
  return null
}

/** The first parameter at which a curve is so far from where it starts; of short ones, 1. */
function reach(curve: (t: number) => Point, far: number): number {
  const start = curve(0)
  let lo = 0,
    hi = STRIDE / 8
  while (distance(curve(hi), start) < far) {
    if (hi >= 1) return 1
    lo = hi
    hi = Math.min(1, hi + STRIDE / 8)
  }
  for (let i = 0; i < 40; i++) {
    const middle = (lo + hi) / 2
    if (distance(curve(middle), start) < far) lo = middle
    else hi = middle
  }
  return hi
}

/**
 * The derivative of the place so far to the right of a segment, by its parameter; null where the segment turns tighter
 * than that.
 */
function sweepAt(segment: Segment, t: number, away: number): Point | null {
  const slope = slopeAt(segment, t),
    open = 1 - away * curvatureAt(segment, t)
  return open > 0 ? { x: slope.x * open, y: slope.y * open } : null
}

/** By how much the contacts move as the radius grows; null where no greater circle touches both. */
function drift(a: Segment, b: Segment, side: number, { radius, s, t }: Fillet): { s: number; t: number } | null {
  const d = sweepAt(a, s, side * radius),
    e = sweepAt(b, t, side * radius)
  const across = d && e ? cross(d, e) : 0
  if (!d || !e || Math.abs(across) < PARALLEL) return null
  const n = directionAt(a, s),
    m = directionAt(b, t)
  const gap = { x: -side * (m.y - n.y), y: side * (m.x - n.x) }
  return { s: cross(gap, e) / across, t: cross(gap, d) / across }
}

/** The circle of the guess's radius that touches both sides, near the guess; null when there is none within them. */
function contact(a: Segment, b: Segment, side: number, guess: Fillet): Fillet | null {
  const away = side * guess.radius
  let { s, t } = guess
  for (let i = 0; i < 10; i++) {
    if (!(s >= -0.01 && s <= 1.01 && t >= -0.01 && t <= 1.01)) return null
    const gap = subtract(beside(b, t, away), beside(a, s, away))
    const d = sweepAt(a, s, away),
      e = sweepAt(b, t, away)
    if (!d || !e) return null
    if (hypot(gap.x, gap.y) < ROUNDING) break
    const across = cross(d, e)
    if (Math.abs(across) < PARALLEL) return null
    s += cross(gap, e) / across
    t += cross(gap, d) / across
  }
  if (s < -ROUNDING || s > 1 || t < 0 || t > 1 + ROUNDING) return null
  return distance(beside(a, s, away), beside(b, t, away)) < SAME_POINT
    ? { radius: guess.radius, s: Math.max(0, s), t: Math.min(1, t) }
    : null
}
