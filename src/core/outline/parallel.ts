import { arcCentre } from '../geometry/arc'
import { curvatureAt, directionAt } from '../geometry/slope'
import { distance, type Point } from '../geometry/point'
import { line, pointAt, type Segment } from '../geometry/segment'
import { OFFSET, ROUNDING, SAME_POINT } from '../geometry/tolerance'
import { follow } from './fit'

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
  const middle = (from + to) / 2
  const back = 1 - away * curvatureAt(segment, middle) < 0 ? -1 : 1
  const cubics = follow(
    (t) => {
      const d = directionAt(segment, t)
      return { at: beside(segment, t, away), direction: { x: d.x * back, y: d.y * back } }
    },
    0.8 * OFFSET,
    from,
    to,
  )
  return cubics.filter((one) => distance(one.from, one.to) > SAME_POINT || distance(one.from, one.c1) > SAME_POINT)
}

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
  let before = open(1e-6)
  for (let i = 1; i <= LOOKS; i++) {
    const t = i === LOOKS ? 1 - 1e-6 : i / LOOKS
    const here = open(t)
    if (before < 0 !== here < 0) {
      let lo = i === 1 ? 1e-6 : (i - 1) / LOOKS,
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
