import { sag, selfMeeting } from './cubic'
import { powers, product, type Round, toUnitCircle } from './curve'
import { keepTime } from './deadline'
import type { Meeting } from './intersect'
import { onArc } from './meet-lines-arcs'
import { cross, distance, dot, type Point, subtract } from './point'
import { rootsOnUnit } from './roots'
import { type Cubic, type Line, pointAt } from './segment'

const clamp = (t: number): number => Math.max(0, Math.min(1, t))

/** Meetings of a cubic (s) with a line (t): the cubic's distance from the line is a polynomial of degree three. */
export function cubicLine(cubic: Cubic, line: Line, tolerance: number): Meeting[] {
  const d = subtract(line.to, line.from)
  const length = Math.hypot(d.x, d.y)
  const away = (p: Point) => cross(d, subtract(p, line.from)) / length
  const a0 = away(cubic.from), a1 = away(cubic.c1), a2 = away(cubic.c2), a3 = away(cubic.to)
  if ((a0 > tolerance && a1 > tolerance && a2 > tolerance && a3 > tolerance) || (a0 < -tolerance && a1 < -tolerance && a2 < -tolerance && a3 < -tolerance)) return []
  return rootsOnUnit(powers(a0, a1, a2, a3), tolerance).flatMap(({ t: s }) => {
    const p = pointAt(cubic, s)
    const t = dot(d, subtract(p, line.from)) / (length * length)
    return t < -tolerance / length || t > 1 + tolerance / length ? [] : [{ at: pointAt(line, clamp(t)), s, t: clamp(t) }]
  })
}

/** Meetings of a cubic (s) with an arc (t): its distance from the unit circle, squared, is a polynomial of degree six. */
export function cubicArc(cubic: Cubic, arc: Round, tolerance: number): Meeting[] {
  const p0 = toUnitCircle(arc, cubic.from), p1 = toUnitCircle(arc, cubic.c1), p2 = toUnitCircle(arc, cubic.c2), p3 = toUnitCircle(arc, cubic.to)
  const slack = tolerance / Math.min(arc.rx, arc.ry)
  // Within the ellipse with its whole hull, or outside by more than it may lie from its chord.
  if (inside(p0, slack) && inside(p1, slack) && inside(p2, slack) && inside(p3, slack)) return []
  if (chordAway(p0, p3) > 1 + slack + 0.75 * Math.max(Math.hypot(p0.x - 2 * p1.x + p2.x, p0.y - 2 * p1.y + p2.y), Math.hypot(p1.x - 2 * p2.x + p3.x, p1.y - 2 * p2.y + p3.y))) return []
  const x = powers(p0.x, p1.x, p2.x, p3.x), y = powers(p0.y, p1.y, p2.y, p3.y)
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
  const dx = q.x - p.x, dy = q.y - p.y
  const t = Math.max(0, Math.min(1, -(p.x * dx + p.y * dy) / (dx * dx + dy * dy || 1)))
  return Math.hypot(p.x + t * dx, p.y + t * dy)
}

/** Two cubics meet in nine places at most (Bézout); what seems to meet in more runs together, and more places of it say nothing more. */
const MEETINGS = 36

/** How often two cubics may be halved against each other before what is left counts as one place. */
const DEPTH = 26

/**
 * Two cubics: each stretch lies within `sag` of its chord; stretches are halved while their chords come nearer than that, down to where
 * they are straight. Newton's method finds the place from there.
 */
export function cubicCubic(a: Cubic, b: Cubic, tolerance: number): Meeting[] {
  if (partAtEnd(a, b)) return []
  const found: Meeting[] = []
  const sagA = sag(a), sagB = sag(b)
  const search = (s0: number, s1: number, p: Point, q: Point, t0: number, t1: number, u: Point, v: Point, depth: number): void => {
    if (found.length >= MEETINGS) return
    const h = s1 - s0, k = t1 - t0
    const ha = sagA * h * h, hb = sagB * k * k, margin = ha + hb + tolerance
    if (Math.min(p.x, q.x) > Math.max(u.x, v.x) + margin || Math.min(u.x, v.x) > Math.max(p.x, q.x) + margin) return
    if (Math.min(p.y, q.y) > Math.max(u.y, v.y) + margin || Math.min(u.y, v.y) > Math.max(p.y, q.y) + margin) return
    const dx = q.x - p.x, dy = q.y - p.y, ex = v.x - u.x, ey = v.y - u.y
    const lengthA = Math.hypot(dx, dy), lengthB = Math.hypot(ex, ey)
    if (oneSide(dx, dy, u.x - p.x, u.y - p.y, v.x - p.x, v.y - p.y, margin * lengthA)) return
    if (oneSide(ex, ey, p.x - u.x, p.y - u.y, q.x - u.x, q.y - u.y, margin * lengthB)) return
    // Straight, or too small for the tolerance to tell apart what is in it.
    if (depth >= DEPTH || ha + hb < 1e-4 * Math.min(lengthA, lengthB) || lengthA + lengthB + ha + hb < tolerance) {
      keepTime()
      // A straight stretch meets another once.
      if (found.some(({ s, t }) => s >= s0 && s <= s1 && t >= t0 && t <= t1)) return
      const across = dx * ey - dy * ex
      const parallel = Math.abs(across) <= 1e-3 * lengthA * lengthB
      const s = parallel ? 0.5 : clamp(((u.x - p.x) * ey - (u.y - p.y) * ex) / across), t = parallel ? 0.5 : clamp(((u.x - p.x) * dy - (u.y - p.y) * dx) / across)
      const meeting = polish(a, b, s0 + h * s, t0 + k * t, tolerance)
      if (meeting && !found.some(({ at }) => distance(at, meeting.at) <= 1e-5)) found.push(meeting)
      return
    }
    // The one that lies farther from its chord is halved, or both when they are about even.
    const halveA = ha >= 0.25 * hb, halveB = hb >= 0.25 * ha
    const sm = (s0 + s1) / 2, tm = (t0 + t1) / 2
    const pm = halveA ? pointAt(a, sm) : q, um = halveB ? pointAt(b, tm) : v
    const toB = (from: number, to: number, c: Point, d: Point): void => {
      if (!halveB) return search(from, to, c, d, t0, t1, u, v, depth + 1)
      search(from, to, c, d, t0, tm, u, um, depth + 1)
      search(from, to, c, d, tm, t1, um, v, depth + 1)
    }
    if (!halveA) return toB(s0, s1, p, q)
    toB(s0, sm, p, pm)
    toB(sm, s1, pm, q)
  }
  search(0, 1, a.from, a.to, 0, 1, b.from, b.to, 0)
  return found
}

/**
 * True for two cubics that share an end and part there for good: a line through it has the one's control points on its one side, the
 * other's on its other. So do the pieces of a smooth outline, which would else be halved against each other down to the node.
 */
function partAtEnd(a: Cubic, b: Cubic): boolean {
  const startA = samePlace(a.from, b.from) || samePlace(a.from, b.to)
  if (!startA && !samePlace(a.to, b.from) && !samePlace(a.to, b.to)) return false
  const [p, a1, a2, a3] = startA ? [a.from, a.c1, a.c2, a.to] : [a.to, a.c2, a.c1, a.from]
  const [b1, b2, b3] = samePlace(p, b.from) ? [b.c1, b.c2, b.to] : [b.c2, b.c1, b.from]
  const lengthA = distance(p, a1), lengthB = distance(p, b1)
  if (lengthA < 1e-3 || lengthB < 1e-3) return false
  const x = (b1.x - p.x) / lengthB - (a1.x - p.x) / lengthA, y = (b1.y - p.y) / lengthB - (a1.y - p.y) / lengthA
  // Directions that hardly differ part too slowly to be told from a stretch in common.
  if (x * x + y * y < 0.1) return false
  const along = (q: Point) => (q.x - p.x) * x + (q.y - p.y) * y
  return along(a1) < 0 && along(a2) < 0 && along(a3) < 0 && along(b1) > 0 && along(b2) > 0 && along(b3) > 0
}

const samePlace = (p: Point, q: Point): boolean => p.x === q.x && p.y === q.y

/** Whether two places lie on one side of a direction, farther from it than a margin (times the direction's length). */
function oneSide(dx: number, dy: number, ax: number, ay: number, bx: number, by: number, margin: number): boolean {
  const a = dx * ay - dy * ax, b = dx * by - dy * bx
  return (a > margin && b > margin) || (a < -margin && b < -margin)
}

/** How often a place is improved at most, and how often it may fail to come nearer by half before it is given up: no place, or one of many. */
const STEPS = 24, FAILURES = 2

/**
 * Newton's method for the place where two cubics meet; where they are parallel, for the place where they are nearest. Near a crossing each step
 * squares what is missing, near a touch it quarters it; where it does neither the two run beside each other.
 */
function polish(a: Cubic, b: Cubic, s: number, t: number, tolerance: number): Meeting | null {
  let before = Infinity, failures = 0
  for (let i = 0; i < STEPS; i++) {
    const p = 1 - s, q = 1 - t
    const p0 = p * p * p, p1 = 3 * p * p * s, p2 = 3 * p * s * s, p3 = s * s * s, q0 = q * q * q, q1 = 3 * q * q * t, q2 = 3 * q * t * t, q3 = t * t * t
    const gx = q0 * b.from.x + q1 * b.c1.x + q2 * b.c2.x + q3 * b.to.x - (p0 * a.from.x + p1 * a.c1.x + p2 * a.c2.x + p3 * a.to.x)
    const gy = q0 * b.from.y + q1 * b.c1.y + q2 * b.c2.y + q3 * b.to.y - (p0 * a.from.y + p1 * a.c1.y + p2 * a.c2.y + p3 * a.to.y)
    const gap = gx * gx + gy * gy
    if (gap > 0.25 * before && gap > tolerance * tolerance && ++failures > FAILURES) return null
    before = gap
    const d0 = 3 * p * p, d1 = 6 * p * s, d2 = 3 * s * s, e0 = 3 * q * q, e1 = 6 * q * t, e2 = 3 * t * t
    const dx = d0 * (a.c1.x - a.from.x) + d1 * (a.c2.x - a.c1.x) + d2 * (a.to.x - a.c2.x), dy = d0 * (a.c1.y - a.from.y) + d1 * (a.c2.y - a.c1.y) + d2 * (a.to.y - a.c2.y)
    const ex = e0 * (b.c1.x - b.from.x) + e1 * (b.c2.x - b.c1.x) + e2 * (b.to.x - b.c2.x), ey = e0 * (b.c1.y - b.from.y) + e1 * (b.c2.y - b.c1.y) + e2 * (b.to.y - b.c2.y)
    const across = dx * ey - dy * ex, dd = dx * dx + dy * dy, ee = ex * ex + ey * ey
    const parallel = across * across <= 1e-12 * dd * ee
    const stepS = parallel ? (gx * dx + gy * dy) / (2 * dd) : (gx * ey - gy * ex) / across
    const stepT = parallel ? -(gx * ex + gy * ey) / (2 * ee) : (gx * dy - gy * dx) / across
    s = clamp(s + stepS)
    t = clamp(t + stepT)
    if (Math.abs(stepS) + Math.abs(stepT) < 1e-15) break
  }
  const at = pointAt(a, s)
  return distance(at, pointAt(b, t)) <= tolerance ? { at, s, t } : null
}

/** Where a cubic crosses itself, as a meeting of it with itself at two parameters; null when it does not. */
export function selfCrossing(curve: Cubic): Meeting | null {
  const pair = selfMeeting(curve)
  return pair && { at: pointAt(curve, pair[0]), s: pair[0], t: pair[1] }
}

