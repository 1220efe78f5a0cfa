import { arcCentre } from '../geometry/arc'
import { curvatureAt, directionAt } from '../geometry/slope'
import { cross, distance, type Point } from '../geometry/point'
import { line, pointAt, type Segment } from '../geometry/segment'
import { OFFSET, ROUNDING, SAME_POINT } from '../geometry/tolerance'
import { type Course, follow } from './fit-cubic'
import { EVEN, suddenTurns, turningSteps } from './turns'

/** The place beside a segment at `t`, so far to its right on screen (to its left where negative). */
export function beside(segment: Segment, t: number, away: number): Point {
  const p = t === 0 ? segment.from : t === 1 ? segment.to : pointAt(segment, t),
    d = directionAt(segment, t)
  return { x: p.x - away * d.y, y: p.y + away * d.x }
}

/** True when an arc is part of a circle. */
export const isCircular = (segment: Segment): boolean =>
  segment.kind === 'line' || (segment.kind === 'arc' && Math.abs(segment.rx - segment.ry) <= ROUNDING * segment.rx)

/**
 * The curve beside a segment between two parameters, so far to its right on screen. Exact for lines and circles; of
 * ellipses and cubics within `OFFSET`. Between the parameters the curve may not turn back: there `turnBacks` cuts.
 * Empty where it shrinks to a point.
 */
export function parallel(segment: Segment, away: number, from = 0, to = 1): Segment[] {
  const start = beside(segment, from, away),
    end = beside(segment, to, away)
  if (segment.kind === 'line') return [line(start, end)]
  if (segment.kind === 'arc' && isCircular(segment)) {
    const { rx, extent } = arcCentre(segment)
    const r = segment.sweep ? rx - away : rx + away
    if (Math.abs(r) <= SAME_POINT) return []
    // Beyond the centre the arc runs the same way round, on the other side.
    return [
      {
        ...segment,
        from: start,
        to: end,
        rx: Math.abs(r),
        ry: Math.abs(r),
        turn: 0,
        large: Math.abs(extent) * (to - from) > Math.PI,
      },
    ]
  }
  const sudden = suddenTurns(segment).filter((t) => t > from && t < to),
    stops = [from, ...sudden, to]
  const back = 1 - away * curvatureAt(segment, sudden[sudden.length >> 1] ?? (from + to) / 2) < 0 ? -1 : 1
  const course = (t: number) => {
    const d = directionAt(segment, t)
    return { at: beside(segment, t, away), direction: { x: d.x * back, y: d.y * back } }
  }
  const pieces: Segment[] = []
  for (let i = 0; i + 1 < stops.length;) {
    const at = stops[i]!
    let next = i + 1
    // A curve that stays within the tolerance of one point is replaced by arcs around it, of a quarter turn at most.
    if (next + 2 < stops.length && i > 0 && isPlace(segment, at, stops[next + 1]!)) next++
    const until = stops[next]!
    if (i > 0 && next < stops.length - 1 && isPlace(segment, at, until))
      pieces.push(...around(segment, away, at, until))
    else pieces.push(...followed(segment, course, at, until))
    i = next
  }
  return pieces.filter(
    (one) => one.kind !== 'cubic' || distance(one.from, one.to) > SAME_POINT || distance(one.from, one.c1) > SAME_POINT,
  )
}

/**
 * The offset curve between two parameters of a segment. Where the segment turns suddenly, steps follow the turn instead
 * of the parameter, so that no fit skips it.
 */
function followed(segment: Segment, course: Course, from: number, to: number): Segment[] {
  const ts = turningSteps(segment, from, to),
    last = ts.length - 1
  const least = ts.reduce((so, t, i) => (i === 0 ? so : Math.min(so, t - ts[i - 1]!)), to - from)
  const even = (to - from) / EVEN
  if (least >= even / GENTLE)
    return follow(course, 0.8 * OFFSET, from, to, least >= even / 3 ? undefined : CHECKS * last)
  const at = (s: number): number => {
    const k = Math.min(last - 1, Math.floor(s * last))
    return ts[k]! + (ts[k + 1]! - ts[k]!) * (s * last - k)
  }
  return follow((s) => course(at(s)), 0.8 * OFFSET, 0, 1, CHECKS * last)
}

/** Steps of turn shorter than this share of an even step are used; above it the parameter is followed. */
const GENTLE = 8

/** The number of check points of a cubic beside a sudden turn. */
const CHECKS = 2

/** Whether a segment stays in one place between two parameters, within the accuracy of outlines. */
const isPlace = (segment: Segment, from: number, to: number): boolean =>
  [0, 0.25, 0.5, 0.75, 1].every(
    (k) => distance(pointAt(segment, from), pointAt(segment, from + (to - from) * k)) <= OFFSET / 8,
  )

/** The arc around a place at which a curve turns on the spot. */
function around(segment: Segment, away: number, from: number, to: number): Segment[] {
  const start = beside(segment, from, away),
    end = beside(segment, to, away),
    a = directionAt(segment, from),
    b = directionAt(segment, to)
  if (distance(start, end) <= SAME_POINT) return []
  const r = Math.abs(away)
  return [{ kind: 'arc', from: start, to: end, rx: r, ry: r, turn: 0, large: false, sweep: cross(a, b) > 0 }]
}

const middles = (ts: readonly number[]): number[] => ts.slice(1).map((t, i) => (ts[i]! + t) / 2)

/** How many places of a curve are looked at for whether it turns tighter than a distance. */
const LOOKS = 48

/**
 * The parameters between 0 and 1 at which the curve beside a segment turns back, where its radius of curvature is the
 * distance.
 */
export function turnBacks(segment: Segment, away: number): number[] {
  if (isCircular(segment)) return []
  const open = (t: number) => 1 - away * curvatureAt(segment, t)
  const cuts: number[] = []
  const even = Array.from({ length: LOOKS + 1 }, (_, i) => (i === 0 ? 1e-6 : i === LOOKS ? 1 - 1e-6 : i / LOOKS)),
    sudden = suddenTurns(segment),
    looks = sudden.length === 0 ? even : [...even, ...sudden, ...middles(sudden)].sort((a, b) => a - b)
  let before = open(looks[0]!)
  for (let i = 1; i < looks.length; i++) {
    const t = looks[i]!
    const here = open(t)
    if (before < 0 !== here < 0) {
      let lo = looks[i - 1]!,
        hi = t
      for (let k = 0; k < 50; k++) {
        const middle = (lo + hi) / 2
        if (open(middle) < 0 === before < 0) lo = middle
        else hi = middle
      }
      cuts.push((lo + hi) / 2)
    }
    before = here
  }
  return cuts
}
