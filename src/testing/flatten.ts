import { arcCentre } from '../core/geometry/arc'
import type { Contour, Path } from '../core/geometry/path'
import { distance, type Point } from '../core/geometry/point'
import { pointAt, type Segment } from '../core/geometry/segment'

/** How far a flattened curve may lie from the true one, in grid units. */
const FLATNESS = 0.005

/**
 * How many chords keep a curve within `flatness`: by sagitta for arcs, by second difference for cubics (Wang's bound).
 */
function chords(segment: Segment, flatness: number): number {
  switch (segment.kind) {
    case 'line':
      return 1
    case 'arc': {
      const { rx, ry, extent } = arcCentre(segment)
      const radius = Math.max(rx, ry)
      const step = 2 * Math.acos(Math.max(0, 1 - flatness / radius))
      return Math.max(2, Math.ceil(Math.abs(extent) / step))
    }
    case 'cubic': {
      const { from, c1, c2, to } = segment
      const bend = Math.max(
        Math.hypot(from.x - 2 * c1.x + c2.x, from.y - 2 * c1.y + c2.y),
        Math.hypot(c1.x - 2 * c2.x + to.x, c1.y - 2 * c2.y + to.y),
      )
      return Math.max(1, Math.ceil(Math.sqrt((0.75 * bend) / flatness)))
    }
  }
}

/**
 * Points along a contour, no farther than `flatness` from it; the first point is not repeated at the end of a closed
 * one.
 */
export function flatten(contour: Contour, flatness = FLATNESS): Point[] {
  const points: Point[] = []
  contour.segments.forEach((segment) => {
    const n = chords(segment, flatness)
    for (let i = 0; i < n; i++) points.push(i === 0 ? segment.from : pointAt(segment, i / n))
  })
  const last = contour.segments[contour.segments.length - 1]
  if (!contour.closed && last) points.push(last.to)
  return points
}

/**
 * How many times a path winds around a point (Sunday's crossing test on the flattened path); open contours count as
 * closed.
 */
export function winding(path: Path, p: Point): number {
  let count = 0
  for (const contour of path) {
    const points = flatten(contour)
    for (let i = 0; i < points.length; i++) {
      const a = points[i]!,
        b = points[(i + 1) % points.length]!
      const side = (b.x - a.x) * (p.y - a.y) - (p.x - a.x) * (b.y - a.y)
      if (a.y <= p.y) {
        if (b.y > p.y && side > 0) count++
      } else if (b.y <= p.y && side < 0) count--
    }
  }
  return count
}

/** The distance from a point to the nearest place on a path's lines, within `FLATNESS`; Infinity when there is none. */
export function distanceToPath(path: Path, p: Point): number {
  let best = Infinity
  for (const contour of path) {
    const points = flatten(contour)
    const count = contour.closed ? points.length : points.length - 1
    for (let i = 0; i < count; i++)
      best = Math.min(best, distanceToLine(points[i]!, points[(i + 1) % points.length]!, p))
  }
  return best
}

function distanceToLine(a: Point, b: Point, p: Point): number {
  const dx = b.x - a.x,
    dy = b.y - a.y
  const length = dx * dx + dy * dy
  const t = length === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length))
  return distance(p, { x: a.x + dx * t, y: a.y + dy * t })
}
