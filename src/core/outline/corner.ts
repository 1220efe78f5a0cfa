import { curveOf } from '../geometry/curve'
import { intersect } from '../geometry/intersect'
import { part } from '../geometry/part'
import { type Contour, polyline } from '../geometry/path'
import { cross, distance, dot, type Point, subtract } from '../geometry/point'
import type { Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { SAME_POINT, STRAIGHT } from '../geometry/tolerance'
import { type CornerStyle, cornerShape } from './corner-shape'
import { beside, parallel } from './parallel'

/** What is asked for at a corner: the radius of its tangent arc in grid units, and what is drawn between the places where that begins. */
export type Corner = { readonly radius: number; readonly style?: CornerStyle }

/** A contour with finished corners, and the nodes at which the radius had to be reduced to fit. */
export type Rounded = { readonly contour: Contour; readonly reduced: readonly number[] }

/** Where a corner's arc begins on the segment before, at `s`, and ends on the one after, at `t`; its centre lies on the side `turn` is of. */
type Trim = { readonly s: number; readonly t: number; readonly turn: number }

/**
 * Finishes the corners of a contour, between any two kinds of segment; node i is where segment i begins. The ends of an open contour
 * and places where the segments run on smoothly or double back stay as they are. Where two corners would overlap on a segment, both
 * are reduced in proportion (the rule of CSS Backgrounds 3 §5.5); where no arc of the radius touches both sides, the greatest that does.
 */
export function roundContour({ segments, closed }: Contour, corner: (node: number) => Corner | null): Rounded {
  const count = segments.length
  const before = (i: number): Segment | null => (i > 0 ? segments[i - 1]! : closed ? segments[count - 1]! : null)
  const asked = segments.map((_, i) => (before(i) ? corner(i) : null))
  const radii = asked.map((one) => one?.radius ?? 0)
  const trimAt = (i: number, radius: number): Trim | null => (radius > SAME_POINT ? trim(before(i)!, segments[i]!, radius) : null)
  const trims = radii.map((radius, i) => {
    if (radius <= SAME_POINT || !turnOf(before(i)!, segments[i]!)) return null
    const whole = trimAt(i, radius)
    if (whole) return whole
    radii[i] = greatest((k) => trimAt(i, radius * k) !== null) * radius
    return trimAt(i, radii[i]!)
  })
  // On each segment the corner at its start may take what the one at its end leaves.
  const share = new Array<number>(count).fill(1)
  for (let i = 0; i < count; i++) {
    const j = i + 1 < count ? i + 1 : closed ? 0 : -1
    const first = trims[i], second = j === -1 ? null : trims[j]
    const start = first?.t ?? 0, end = second?.s ?? 1
    if (start <= end + 1e-12) continue
    const straight = segments[i]!.kind === 'line' && (!first || before(i)!.kind === 'line') && (!second || segments[j]!.kind === 'line')
    const k = straight ? 1 / (start + 1 - end) : greatest((by) => (first ? (trimAt(i, radii[i]! * by)?.t ?? 0) : 0) <= (second ? (trimAt(j, radii[j]! * by)?.s ?? 1) : 1))
    if (first) share[i] = Math.min(share[i]!, k)
    if (second) share[j] = Math.min(share[j]!, k)
  }
  const final = trims.map((one, i) => (one && share[i]! < 1 ? trimAt(i, radii[i]! * share[i]!) : one))
  const places = final.map((one, i) => one && cut(before(i)!, segments[i]!, one))
  const result: Segment[] = []
  const push = (segment: Segment) => {
    if (segment.kind !== 'line' || distance(segment.from, segment.to) > SAME_POINT) result.push(segment)
  }
  for (let i = 0; i < count; i++) {
    const j = i + 1 < count ? i + 1 : closed ? 0 : -1
    const start = final[i]?.t ?? 0, end = j === -1 ? 1 : (final[j]?.s ?? 1)
    const from = places[i]?.to ?? segments[i]!.from, to = (j === -1 ? null : places[j]?.from) ?? segments[i]!.to
    if (end - start > 1e-12 && distance(from, to) > SAME_POINT) push(start === 0 && end === 1 ? segments[i]! : part(segments[i]!, start, end, from, to))
    if (j === -1 || !final[j]) continue
    const at = places[j]!
    cornerShape(at.from, at.leaving, at.to, at.arriving, radii[j]! * share[j]!, asked[j]!.style ?? 'round').forEach(push)
  }
  const reduced = asked.flatMap((one, i) => (one && one.radius > SAME_POINT && turnAsked(before(i), segments[i]!) && radii[i]! * share[i]! < one.radius * (1 - 1e-12) ? [i] : []))
  return { contour: { segments: result, closed }, reduced }
}

const turnAsked = (a: Segment | null, b: Segment): boolean => a !== null && turnOf(a, b) !== 0

/** The angle by which the path turns between two segments, in radians, clockwise positive; 0 where it runs on or doubles back. */
function turnOf(a: Segment, b: Segment): number {
  const d = directionAt(a, 1), e = directionAt(b, 0)
  const turn = Math.atan2(cross(d, e), dot(d, e))
  return Math.abs(turn) < STRAIGHT || Math.PI - Math.abs(turn) < STRAIGHT ? 0 : turn
}

/** The greatest share in 0..1 that still fits, given that all below it do. */
function greatest(fits: (share: number) => boolean): number {
  let lo = 0, hi = 1
  for (let i = 0; i < 52; i++) {
    const k = (lo + hi) / 2
    if (fits(k)) lo = k
    else hi = k
  }
  return lo
}

function cut(a: Segment, b: Segment, { s, t }: Trim): { from: Point; leaving: Point; to: Point; arriving: Point } {
  return { from: beside(a, s, 0), leaving: directionAt(a, s), to: beside(b, t, 0), arriving: directionAt(b, t) }
}

/** Where the arc of a radius touches the end of one segment and the start of the next; null when none does. */
function trim(a: Segment, b: Segment, radius: number): Trim | null {
  const turn = turnOf(a, b)
  if (turn === 0) return null
  if (a.kind === 'line' && b.kind === 'line') {
    const away = radius * Math.tan(Math.abs(turn) / 2)
    const s = 1 - away / distance(a.from, a.to), t = away / distance(b.from, b.to)
    // Beyond its own segment it is left to the sharing of sides, unless there is no other corner to share with.
    return { s, t, turn }
  }
  const away = Math.sign(turn) * radius
  let best: Trim | null = null
  for (const p of parallel(a, away)) {
    for (const q of parallel(b, away)) {
      for (const { at } of intersect(curveOf(p), curveOf(q)).meetings) {
        const found = touching(a, b, away, at)
        if (found && (!best || 1 - found.s + found.t < 1 - best.s + best.t)) best = { ...found, turn }
      }
    }
  }
  return best
}

/** Newton's method for the parameters at which the places beside two segments are one, from that place nearly. */
function touching(a: Segment, b: Segment, away: number, centre: Point): { s: number; t: number } | null {
  let s = nearestFoot(a, centre, away), t = nearestFoot(b, centre, away)
  const step = 1e-6
  for (let i = 0; i < 12; i++) {
    const gap = subtract(beside(b, t, away), beside(a, s, away))
    if (Math.hypot(gap.x, gap.y) < 1e-13) break
    const d = slope(a, s, away, step), e = slope(b, t, away, step)
    const across = cross(d, e)
    if (Math.abs(across) < 1e-14) break
    s += cross(gap, e) / across
    t += cross(gap, d) / across
    if (!(s > -0.01 && s < 1.01 && t > -0.01 && t < 1.01)) return null
  }
  if (s < -1e-9 || s > 1 || t < 0 || t > 1 + 1e-9) return null
  return distance(beside(a, s, away), beside(b, t, away)) < 1e-7 ? { s: Math.max(0, s), t: Math.min(1, t) } : null
}

function slope(segment: Segment, t: number, away: number, step: number): Point {
  const lo = Math.max(0, t - step), hi = Math.min(1, t + step)
  const p = beside(segment, lo, away), q = beside(segment, hi, away)
  return { x: (q.x - p.x) / (hi - lo), y: (q.y - p.y) / (hi - lo) }
}

/** The parameter whose place beside the segment is nearest, of many, refined between its neighbours. */
function nearestFoot(segment: Segment, p: Point, away: number): number {
  const far = (t: number) => distance(beside(segment, t, away), p)
  let best = 0
  for (let i = 1; i <= 24; i++) if (far(i / 24) < far(best)) best = i / 24
  let lo = Math.max(0, best - 1 / 24), hi = Math.min(1, best + 1 / 24)
  for (let i = 0; i < 30; i++) {
    const a = lo + (hi - lo) / 3, b = hi - (hi - lo) / 3
    if (far(a) < far(b)) hi = b
    else lo = a
  }
  return (lo + hi) / 2
}

/** Straight lines through points with each point's own radius; points that repeat the one before count once. */
export function roundCorners(points: readonly Point[], closed: boolean, radius: (index: number) => number): { contour: Contour; reduced: boolean } {
  const kept = points.flatMap((p, i) => (i > 0 && distance(points[i - 1]!, p) <= SAME_POINT ? [] : [{ p, i }]))
  if (closed && kept.length > 1 && distance(kept[0]!.p, kept[kept.length - 1]!.p) <= SAME_POINT) kept.pop()
  const contour = polyline(kept.map(({ p }) => p), closed)
  if (contour.segments.length === 0) return { contour, reduced: false }
  const rounded = roundContour(contour, (node) => ({ radius: radius(kept[node]!.i) }))
  return { contour: rounded.contour, reduced: rounded.reduced.length > 0 }
}

