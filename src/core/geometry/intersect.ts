import { arcParameter, type Curve, parameterAt, powers, product, type Round, toUnitCircle } from './curve'
import { cross, distance, dot, type Point, subtract } from './point'
import { rootsOnUnit } from './roots'
import { type Cubic, type Line, pointAt } from './segment'
import { MEETING } from './tolerance'

/** A place where two segments meet: at parameter `s` of the first and `t` of the second. */
export type Meeting = { readonly at: Point; readonly s: number; readonly t: number }

/** A stretch that two segments share, from and to in the order of the first. */
export type Overlap = { readonly from: Meeting; readonly to: Meeting }

export type Intersection = { readonly meetings: readonly Meeting[]; readonly overlaps: readonly Overlap[] }

const NOWHERE: Intersection = { meetings: [], overlaps: [] }

/**
 * Where two segments meet. Every crossing and every touch is one meeting; stretches in common are overlaps, whose ends are among the
 * meetings. Lines and circular arcs are solved in closed form, the rest through polynomials whose roots cannot be missed
 * (see `rootsOnUnit`), cubics against each other by subdivision and Newton's method. An end that lies on the other segment is met
 * exactly there.
 */
export function intersect(a: Curve, b: Curve, tolerance = MEETING): Intersection {
  if (apart(a, b, tolerance)) return NOWHERE
  const ends = endMeetings(a, b, tolerance)
  const overlaps = overlapsOf(a, b, ends, tolerance)
  const found = [...ends]
  // Two segments of one carrier meet in stretches and at ends, nowhere else.
  if (overlaps.length === 0) {
    for (const meeting of crossings(a, b, tolerance)) {
      if (!found.some(({ at }) => distance(at, meeting.at) <= 4 * tolerance)) found.push(meeting)
    }
  }
  return { meetings: found, overlaps }
}

function apart({ box: a }: Curve, { box: b }: Curve, margin: number): boolean {
  return a.x > b.x + b.w + margin || b.x > a.x + a.w + margin || a.y > b.y + b.h + margin || b.y > a.y + a.h + margin
}

/** The ends of each segment that lie on the other. */
function endMeetings(a: Curve, b: Curve, tolerance: number): Meeting[] {
  const found: Meeting[] = []
  const add = (meeting: Meeting) => {
    if (!found.some(({ s, t, at }) => distance(at, meeting.at) <= tolerance && Math.abs(s - meeting.s) < 0.5 && Math.abs(t - meeting.t) < 0.5)) found.push(meeting)
  }
  for (const s of [0, 1]) {
    const at = s === 0 ? a.segment.from : a.segment.to
    const t = parameterAt(b, at, tolerance)
    if (t !== null) add({ at, s, t })
  }
  for (const t of [0, 1]) {
    const at = t === 0 ? b.segment.from : b.segment.to
    const s = parameterAt(a, at, tolerance)
    if (s !== null) add({ at, s, t })
  }
  return found
}

/** Between two ends that follow each other the segments run together when they do so at three places between. */
function overlapsOf(a: Curve, b: Curve, ends: readonly Meeting[], tolerance: number): Overlap[] {
  if (ends.length < 2 || a.segment.kind !== b.segment.kind) return []
  const order = ends.toSorted((p, q) => p.s - q.s)
  const overlaps: Overlap[] = []
  for (let i = 0; i + 1 < order.length; i++) {
    const from = order[i]!, to = order[i + 1]!
    if (distance(pointAt(a.segment, (from.s + to.s) / 2), from.at) <= 2 * tolerance) continue
    const together = [0.25, 0.5, 0.75].every((k) => parameterAt(b, pointAt(a.segment, from.s + (to.s - from.s) * k), 2 * tolerance) !== null)
    if (together) overlaps.push({ from, to })
  }
  return overlaps
}

function crossings(a: Curve, b: Curve, tolerance: number): Meeting[] {
  const p = a.segment, q = b.segment
  if (p.kind === 'line' && q.kind === 'line') return lineLine(p, q, tolerance)
  if (p.kind === 'line') return b.round ? lineArc(p, b.round, tolerance) : swapped(cubicLine(q as Cubic, p, tolerance))
  if (q.kind === 'line') return a.round ? swapped(lineArc(q, a.round, tolerance)) : cubicLine(p as Cubic, q, tolerance)
  if (a.round && b.round) return isCircle(a.round) && isCircle(b.round) ? circleCircle(a.round, b.round, tolerance) : ellipseEllipse(a.round, b.round, tolerance)
  if (a.round) return swapped(cubicArc(q as Cubic, a.round, tolerance))
  if (b.round) return cubicArc(p as Cubic, b.round, tolerance)
  return cubicCubic(p as Cubic, q as Cubic, tolerance)
}

const swap = ({ at, s, t }: Meeting): Meeting => ({ at, s: t, t: s })
const swapped = (meetings: readonly Meeting[]): Meeting[] => meetings.map(swap)
const isCircle = ({ rx, ry }: Round): boolean => Math.abs(rx - ry) <= 1e-12 * rx
const clamp = (t: number): number => Math.max(0, Math.min(1, t))

function lineLine(a: Line, b: Line, tolerance: number): Meeting[] {
  const d = subtract(a.to, a.from), e = subtract(b.to, b.from)
  const across = cross(d, e)
  const lengthA = Math.hypot(d.x, d.y), lengthB = Math.hypot(e.x, e.y)
  if (Math.abs(across) <= 1e-14 * lengthA * lengthB) return []
  const between = subtract(b.from, a.from)
  const s = cross(between, e) / across, t = cross(between, d) / across
  if (s < -tolerance / lengthA || s > 1 + tolerance / lengthA || t < -tolerance / lengthB || t > 1 + tolerance / lengthB) return []
  return [{ at: pointAt(a, clamp(s)), s: clamp(s), t: clamp(t) }]
}

/** Meetings of a line (s) with an arc (t): a quadratic in the axes in which the arc's ellipse is the unit circle. */
function lineArc(line: Line, arc: Round, tolerance: number): Meeting[] {
  const from = toUnitCircle(arc, line.from), to = toUnitCircle(arc, line.to)
  const d = subtract(to, from)
  const square = dot(d, d)
  const middle = -dot(from, d) / square
  const away = Math.abs(cross(from, d)) / Math.sqrt(square)
  const slack = tolerance / Math.min(arc.rx, arc.ry)
  if (away > 1 + slack) return []
  const half = away >= 1 - slack ? 0 : Math.sqrt((1 - away * away) / square)
  const length = distance(line.from, line.to)
  return (half === 0 ? [middle] : [middle - half, middle + half]).flatMap((s) => {
    if (s < -tolerance / length || s > 1 + tolerance / length) return []
    const q = { x: from.x + d.x * s, y: from.y + d.y * s }
    const t = onArc(arc, Math.atan2(q.y, q.x), tolerance)
    return t === null ? [] : [{ at: pointAt(line, clamp(s)), s: clamp(s), t }]
  })
}

/** The parameter of an angle on an arc, null when the arc does not reach it. */
function onArc(arc: Round, angle: number, tolerance: number): number | null {
  const slack = tolerance / (Math.max(arc.rx, arc.ry) * Math.abs(arc.extent))
  const t = arcParameter(arc, angle)
  if (t <= 1 + slack) return Math.min(1, t)
  return t >= (2 * Math.PI) / Math.abs(arc.extent) - slack ? 0 : null
}

function circleCircle(a: Round, b: Round, tolerance: number): Meeting[] {
  const d = subtract(b.centre, a.centre)
  const far = Math.hypot(d.x, d.y)
  if (far <= tolerance) return []
  const sum = a.rx + b.rx, gap = Math.abs(a.rx - b.rx)
  if (far > sum + tolerance || far < gap - tolerance) return []
  const touches = far >= sum - tolerance || far <= gap + tolerance
  const along = (far * far + a.rx * a.rx - b.rx * b.rx) / (2 * far)
  const aside = touches ? 0 : Math.sqrt(Math.max(0, a.rx * a.rx - along * along))
  const u = { x: d.x / far, y: d.y / far }
  return (aside === 0 ? [0] : [aside, -aside]).flatMap((h) => {
    const at = { x: a.centre.x + u.x * along - u.y * h, y: a.centre.y + u.y * along + u.x * h }
    return onBoth(a, b, at, tolerance)
  })
}

function onBoth(a: Round, b: Round, at: Point, tolerance: number): Meeting[] {
  const p = toUnitCircle(a, at), q = toUnitCircle(b, at)
  const s = onArc(a, Math.atan2(p.y, p.x), tolerance), t = onArc(b, Math.atan2(q.y, q.x), tolerance)
  return s === null || t === null ? [] : [{ at, s, t }]
}

/**
 * Two elliptical arcs, the second brought to the unit circle. A quarter turn of the first is a rational quadratic in the tangent of
 * half its angle, which gives a polynomial of degree four.
 */
function ellipseEllipse(a: Round, b: Round, tolerance: number): Meeting[] {
  const c = toUnitCircle(b, a.centre)
  const shift = (p: Point) => subtract(toUnitCircle(b, { x: a.centre.x + p.x, y: a.centre.y + p.y }), c)
  const u = shift(a.u), v = shift(a.v)
  const pieces = Math.ceil(Math.abs(a.extent) / (Math.PI / 2))
  const found: Meeting[] = []
  for (let i = 0; i < pieces; i++) {
    const from = a.start + (a.extent * i) / pieces, step = a.extent / pieces
    const middle = from + step / 2, reach = Math.tan(step / 4)
    const cos = Math.cos(middle), sin = Math.sin(middle)
    const p = { x: u.x * cos + v.x * sin, y: u.y * cos + v.y * sin }, q = { x: v.x * cos - u.x * sin, y: v.y * cos - u.y * sin }
    // With w from -reach to reach, as w = reach·(2τ − 1): (c + p) + 2·q·w + (c − p)·w², over 1 + w².
    const inTau = (k0: number, k1: number, k2: number) => [k0 - k1 * reach + k2 * reach * reach, 2 * k1 * reach - 4 * k2 * reach * reach, 4 * k2 * reach * reach]
    const x = inTau(c.x + p.x, 2 * q.x, c.x - p.x), y = inTau(c.y + p.y, 2 * q.y, c.y - p.y), w = inTau(1, 0, 1)
    const xx = product(x, x), yy = product(y, y), ww = product(w, w)
    const f = xx.map((value, k) => value + yy[k]! - ww[k]!)
    for (const { t: tau } of rootsOnUnit(f, (2 * tolerance) / Math.min(b.rx, b.ry))) {
      const angle = middle + 2 * Math.atan(reach * (2 * tau - 1))
      const at = { x: a.centre.x + a.u.x * Math.cos(angle) + a.v.x * Math.sin(angle), y: a.centre.y + a.u.y * Math.cos(angle) + a.v.y * Math.sin(angle) }
      for (const meeting of onBoth(a, b, at, tolerance)) if (!found.some((other) => distance(other.at, at) <= 4 * tolerance)) found.push(meeting)
    }
  }
  return found
}

/** Meetings of a cubic (s) with a line (t): the cubic's distance from the line is a polynomial of degree three. */
function cubicLine(cubic: Cubic, line: Line, tolerance: number): Meeting[] {
  const d = subtract(line.to, line.from)
  const length = Math.hypot(d.x, d.y)
  const away = (p: Point) => cross(d, subtract(p, line.from)) / length
  const f = powers(away(cubic.from), away(cubic.c1), away(cubic.c2), away(cubic.to))
  return rootsOnUnit(f, tolerance).flatMap(({ t: s }) => {
    const p = pointAt(cubic, s)
    const t = dot(d, subtract(p, line.from)) / (length * length)
    return t < -tolerance / length || t > 1 + tolerance / length ? [] : [{ at: pointAt(line, clamp(t)), s, t: clamp(t) }]
  })
}

/** Meetings of a cubic (s) with an arc (t): its distance from the unit circle, squared, is a polynomial of degree six. */
function cubicArc(cubic: Cubic, arc: Round, tolerance: number): Meeting[] {
  const [p0, p1, p2, p3] = [cubic.from, cubic.c1, cubic.c2, cubic.to].map((p) => toUnitCircle(arc, p)) as [Point, Point, Point, Point]
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

/** How often two cubics may be halved against each other before what is left counts as one place. */
const DEPTH = 24

/** Two cubics: both are halved while their hulls overlap, down to where they are straight; Newton's method finds the place from there. */
function cubicCubic(a: Cubic, b: Cubic, tolerance: number): Meeting[] {
  const found: Meeting[] = []
  const search = (p: Cubic, p0: number, p1: number, q: Cubic, q0: number, q1: number, depth: number): void => {
    if (hullsApart(p, q, tolerance)) return
    const straight = bend(p) + bend(q) < 1e-4 * Math.min(distance(p.from, p.to), distance(q.from, q.to))
    if (straight || depth >= DEPTH) {
      const meeting = polish(a, b, (p0 + p1) / 2, (q0 + q1) / 2, tolerance)
      if (meeting && !found.some(({ at }) => distance(at, meeting.at) <= 1e-5)) found.push(meeting)
      return
    }
    const [pa, pb] = halves(p), [qa, qb] = halves(q)
    const pm = (p0 + p1) / 2, qm = (q0 + q1) / 2
    search(pa, p0, pm, qa, q0, qm, depth + 1)
    search(pa, p0, pm, qb, qm, q1, depth + 1)
    search(pb, pm, p1, qa, q0, qm, depth + 1)
    search(pb, pm, p1, qb, qm, q1, depth + 1)
  }
  search(a, 0, 1, b, 0, 1, 0)
  return found
}

function hullsApart(p: Cubic, q: Cubic, margin: number): boolean {
  const low = (c: Cubic, k: 'x' | 'y') => Math.min(c.from[k], c.c1[k], c.c2[k], c.to[k])
  const high = (c: Cubic, k: 'x' | 'y') => Math.max(c.from[k], c.c1[k], c.c2[k], c.to[k])
  return low(p, 'x') > high(q, 'x') + margin || low(q, 'x') > high(p, 'x') + margin || low(p, 'y') > high(q, 'y') + margin || low(q, 'y') > high(p, 'y') + margin
}

const bend = ({ from, c1, c2, to }: Cubic): number =>
  Math.hypot(from.x - 2 * c1.x + c2.x, from.y - 2 * c1.y + c2.y) + Math.hypot(c1.x - 2 * c2.x + to.x, c1.y - 2 * c2.y + to.y)

function halves({ from, c1, c2, to }: Cubic): [Cubic, Cubic] {
  const mid = (p: Point, q: Point): Point => ({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 })
  const a = mid(from, c1), b = mid(c1, c2), c = mid(c2, to), d = mid(a, b), e = mid(b, c), f = mid(d, e)
  return [{ kind: 'cubic', from, c1: a, c2: d, to: f }, { kind: 'cubic', from: f, c1: e, c2: c, to }]
}

/** Newton's method for the place where two cubics meet; where they are parallel, for the place where they are nearest. */
function polish(a: Cubic, b: Cubic, s: number, t: number, tolerance: number): Meeting | null {
  for (let i = 0; i < 24; i++) {
    const gap = subtract(pointAt(b, t), pointAt(a, s))
    const d = slopeAt(a, s), e = slopeAt(b, t)
    const across = cross(d, e)
    const parallel = Math.abs(across) <= 1e-6 * Math.hypot(d.x, d.y) * Math.hypot(e.x, e.y)
    const stepS = parallel ? dot(gap, d) / (2 * dot(d, d)) : cross(gap, e) / across
    const stepT = parallel ? -dot(gap, e) / (2 * dot(e, e)) : cross(gap, d) / across
    s = clamp(s + stepS)
    t = clamp(t + stepT)
    if (Math.abs(stepS) + Math.abs(stepT) < 1e-15) break
  }
  const at = pointAt(a, s)
  return distance(at, pointAt(b, t)) <= tolerance ? { at, s, t } : null
}

function slopeAt({ from, c1, c2, to }: Cubic, t: number): Point {
  const k = (p0: number, p1: number, p2: number, p3: number) => 3 * ((1 - t) * (1 - t) * (p1 - p0) + 2 * (1 - t) * t * (p2 - p1) + t * t * (p3 - p2))
  return { x: k(from.x, c1.x, c2.x, to.x), y: k(from.y, c1.y, c2.y, to.y) }
}
