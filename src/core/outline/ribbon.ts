import { arcCentre } from '../geometry/arc'
import type { Contour } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { line, reverse, type Segment } from '../geometry/segment'
import { curvatureAt } from '../geometry/slope'
import { SAME_POINT } from '../geometry/tolerance'
import { beside, isCircular, parallel, turnBacks } from './parallel'

/**
 * What a line across a segment sweeps, `half` to each side: closed contours that all run clockwise on screen, so that windings of
 * several ribbons add up to their union.
 */
export function ribbon(segment: Segment, half: number): Contour[] {
  if (isCircular(segment)) return roundRibbon(segment, half)
  const stops = [0, ...[...turnBacks(segment, half), ...turnBacks(segment, -half)].sort((a, b) => a - b), 1]
  return stops.slice(1).flatMap((to, i) => {
    const from = stops[i]!
    const bend = curvatureAt(segment, (from + to) / 2)
    if (Math.abs(bend) * half <= 1) return closed([...parallel(segment, -half, from, to)], parallel(segment, half, from, to))
    return tightRibbon(segment, half, from, to, Math.sign(bend))
  })
}

function roundRibbon(segment: Segment, half: number): Contour[] {
  if (segment.kind !== 'arc') return closed(parallel(segment, -half), parallel(segment, half))
  const { rx, centre } = arcCentre(segment)
  if (rx > half + SAME_POINT) return closed(parallel(segment, -half), parallel(segment, half))
  // The line across reaches over the centre: a sector on each side of it.
  const inner = segment.sweep ? half : -half
  const far = parallel(segment, -inner), near = parallel(segment, inner)
  return [far, near].flatMap((rim) => (rim.length === 0 ? [] : clockwise(closed(rim, [line(centre, centre)]), segment.sweep)))
}

/**
 * Where a curve turns tighter than half the width, the lines across meet on the inner side, along the curve of its centres of curvature.
 * What lies up to there and what lies beyond are two contours; what their common side is exactly does not matter.
 */
function tightRibbon(segment: Segment, half: number, from: number, to: number, side: number): Contour[] {
  const centres = Array.from({ length: 9 }, (_, i) => {
    const t = from + ((to - from) * i) / 8
    const radius = 1 / curvatureAt(segment, t)
    return beside(segment, t, Math.abs(radius) < half ? radius : side * half)
  })
  const middle = centres.slice(1).map((p, i) => line(centres[i]!, p)).filter((s) => distance(s.from, s.to) > SAME_POINT)
  const between = middle.length > 0 ? middle : [line(centres[0]!, centres[8]!)]
  const outer = parallel(segment, -side * half, from, to), inner = parallel(segment, side * half, from, to)
  return [...clockwise(closed(outer, between), side > 0), ...clockwise(closed(between, inner), side < 0)]
}

/** The contour along `there`, across and back along `back`. */
function closed(there: readonly Segment[], back: readonly Segment[]): Contour[] {
  if (there.length === 0 || back.length === 0) return []
  const home = back.toReversed().map(reverse)
  const across = (a: Point, b: Point): Segment[] => (distance(a, b) > SAME_POINT ? [line(a, b)] : [])
  const segments = [...there, ...across(there[there.length - 1]!.to, home[0]!.from), ...home.filter((s) => s.kind !== 'line' || distance(s.from, s.to) > SAME_POINT), ...across(home[home.length - 1]!.to, there[0]!.from)]
  return segments.length > 1 ? [{ segments, closed: true }] : []
}

const clockwise = (contours: Contour[], already: boolean): Contour[] => (already ? contours : contours.map(({ segments }) => ({ segments: segments.toReversed().map(reverse), closed: true })))

/** A disc, clockwise on screen from its left. */
export function disc(centre: Point, r: number): Contour {
  const left = { x: centre.x - r, y: centre.y }, right = { x: centre.x + r, y: centre.y }
  const arc = (from: Point, to: Point): Segment => ({ kind: 'arc', from, to, rx: r, ry: r, turn: 0, large: false, sweep: true })
  return { segments: [arc(left, right), arc(right, left)], closed: true }
}

