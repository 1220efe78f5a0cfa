import { arcCentre } from '../geometry/arc'
import type { Contour } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { line, reverse, type Segment } from '../geometry/segment'
import { curvatureAt } from '../geometry/slope'
import { OFFSET, SAME_POINT } from '../geometry/tolerance'
import { beside, isCircular, parallel, turnBacks } from './parallel'

/**
 * One side of a segment's stroke. `rim` is the offset curve from start to end; empty if it shrinks to a point. Where
 * the curvature exceeds the offset, the rim runs backwards; the area that the normals sweep beyond the evolute is
 * `beyond`, closed contours clockwise on screen, which the rim encloses the wrong way round.
 */
export type Side = { readonly rim: readonly Segment[]; readonly beyond: readonly Contour[] }

/** The side of a segment so far to its right on screen (to its left where negative). */
export function sideOf(segment: Segment, away: number): Side {
  if (isCircular(segment)) return roundSide(segment, away)
  const stops = [0, ...turnBacks(segment, away), 1]
  const rim: Segment[] = [],
    beyond: Contour[] = []
  for (let i = 0; i + 1 < stops.length; i++) {
    const from = stops[i]!,
      to = stops[i + 1]!
    const stretch = parallel(segment, away, from, to)
    for (const one of stretch) rim.push(one)
    if (away * curvatureAt(segment, (from + to) / 2) > 1)
      beyond.push(...clockwise(closed(centres(segment, away, from, to), stretch), away < 0))
  }
  return { rim, beyond }
}

function roundSide(segment: Segment, away: number): Side {
  const rim = parallel(segment, away)
  if (segment.kind !== 'arc' || rim.length === 0 || segment.sweep !== away > 0) return { rim, beyond: [] }
  const { rx, centre } = arcCentre(segment)
  return { rim, beyond: rx > Math.abs(away) ? [] : clockwise(closed(rim, [line(centre, centre)]), segment.sweep) }
}

/** Number of lines that approximate the evolute, and their tolerance. It is where the stroke folds over itself. */
const LINES = 16,
  FOLD = OFFSET

/** The centres of curvature of a tight stretch (its evolute): where neighbouring normals meet. */
function centres(segment: Segment, away: number, from: number, to: number): Segment[] {
  const place = (k: number): Point => {
    const t = from + (to - from) * k,
      radius = 1 / curvatureAt(segment, t)
    return beside(segment, t, Math.abs(radius) < Math.abs(away) ? radius : away)
  }
  const first = place(0),
    last = place(1),
    middle = place(0.5)
  const count = Math.min(
    LINES,
    Math.max(
      1,
      Math.ceil(Math.sqrt(distance(middle, { x: (first.x + last.x) / 2, y: (first.y + last.y) / 2 }) / FOLD)),
    ),
  )
  const places = Array.from({ length: count + 1 }, (_, i) => (i === 0 ? first : i === count ? last : place(i / count)))
  const lines = places
    .slice(1)
    .map((p, i) => line(places[i]!, p))
    .filter((s) => distance(s.from, s.to) > SAME_POINT)
  return lines.length > 0 ? lines : [line(first, last)]
}

/** The contour along `there`, across and back along `back`. */
function closed(there: readonly Segment[], back: readonly Segment[]): Contour[] {
  if (there.length === 0 || back.length === 0) return []
  const home = back.toReversed().map(reverse)
  const across = (a: Point, b: Point): Segment[] => (distance(a, b) > SAME_POINT ? [line(a, b)] : [])
  const segments = [
    ...there,
    ...across(there[there.length - 1]!.to, home[0]!.from),
    ...home,
    ...across(home[home.length - 1]!.to, there[0]!.from),
  ].filter((s) => s.kind !== 'line' || distance(s.from, s.to) > SAME_POINT)
  return segments.length > 1 ? [{ segments, closed: true }] : []
}

const clockwise = (contours: Contour[], already: boolean): Contour[] =>
  already ? contours : contours.map(({ segments }) => ({ segments: segments.toReversed().map(reverse), closed: true }))
