import { keepTime } from '../geometry/deadline'
import type { Contour, Path } from '../geometry/path'
import { cross, distance, dot, type Point, subtract } from '../geometry/point'
import { line, pointAt, type Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { circleThrough } from '../geometry/solve'
import { tidy } from '../geometry/tidy'
import { SAME_PARAMETER, SAME_POINT } from '../geometry/tolerance'
import { fitCubic } from './fit-cubic'
import { arcThrough, recognise } from './recognise'

/** A node at which the path turns by more than this is a corner that stays, in radians (30°). */
const CORNER = Math.PI / 6
/** Places of a segment at which it is compared with what may replace it. */
const PLACES = 6

/**
 * Simplifies a path within `tolerance` grid units: stretches between corners become the fewest lines, arcs and cubics,
 * each as long as possible. Corners stay, and so do dots, contours of no length.
 */
export function simplify(path: Path, tolerance: number): Path {
  const half = tolerance / 2
  const few = path
    .filter(({ segments }) => segments.length > 0)
    .map((contour): Contour => {
      const segments = fewest(contour, half)
      return segments.length > 0 ? { ...contour, segments } : { ...contour, segments: contour.segments.slice(0, 1) }
    })
  return recognise(few, half, 0)
}

function fewest(contour: Contour, tolerance: number): Segment[] {
  const segments = contour.segments.filter((s) => s.kind !== 'line' || distance(s.from, s.to) > SAME_POINT)
  const corner = (i: number) =>
    isCorner(segments[(i + segments.length - 1) % segments.length]!, segments[i % segments.length]!)
  // A closed contour is begun at a corner, where it has one.
  const start = contour.closed ? segments.findIndex((_, i) => corner(i)) : 0
  const circle = start === -1 && segments.length > 2 ? wholeCircle(segments, tolerance) : null
  if (circle) return circle
  const first = Math.max(0, start)
  const order = [...segments.slice(first), ...segments.slice(0, first)]
  const result: Segment[] = []
  for (let i = 0; i < order.length;) {
    keepTime()
    let end = i + 1
    while (end < order.length && !isCorner(order[end - 1]!, order[end]!)) end++
    result.push(...run(order.slice(i, end), tolerance))
    i = end
  }
  return result
}

/** Two half arcs, if a closed contour is a circle. */
function wholeCircle(segments: readonly Segment[], tolerance: number): Segment[] | null {
  const count = segments.length,
    node = (i: number) => segments[i % count]!.from
  const circle = circleThrough(node(0), node(Math.round(count / 3)), node(Math.round((2 * count) / 3)))
  if (!circle) return null
  const { centre, r } = circle,
    points = segments.flatMap((s) => [s.from, pointAt(s, 0.25), pointAt(s, 0.5), pointAt(s, 0.75)])
  if (points.some((p) => Math.abs(distance(p, centre) - r) > tolerance)) return null
  const from = node(0),
    to = { x: 2 * centre.x - from.x, y: 2 * centre.y - from.y }
  const half: Segment = {
    kind: 'arc',
    from,
    to,
    rx: tidy(r),
    ry: tidy(r),
    turn: 0,
    large: false,
    sweep: area2(points) > 0,
  }
  return [half, { ...half, from: to, to: from }]
}

/** Twice the signed area of a polygon. */
const area2 = (points: readonly Point[]): number =>
  points.reduce((sum, p, i) => sum + cross(p, points[(i + 1) % points.length]!), 0)

function isCorner(a: Segment, b: Segment): boolean {
  const d = directionAt(a, 1),
    e = directionAt(b, 0)
  return Math.abs(Math.atan2(cross(d, e), dot(d, e))) > CORNER
}

/** A stretch without corners as few segments: from each node on, the most that one segment can replace. */
function run(segments: readonly Segment[], tolerance: number): Segment[] {
  const result: Segment[] = []
  for (let i = 0; i < segments.length;) {
    let best: Segment = segments[i]!,
      end = i + 1
    // Galloping search: doubling, then bisection between the last fit and the first failure.
    let fits = 1,
      fails = segments.length - i + 1
    for (let count = 2; count < fails;) {
      keepTime()
      const one = replacement(segments.slice(i, i + count), tolerance)
      if (one) {
        best = one
        end = i + count
        fits = count
        count = fails <= segments.length - i ? Math.floor((fits + fails) / 2) : Math.min(2 * count, segments.length - i)
        if (fits === segments.length - i || count === fits) break
      } else {
        fails = count
        count = Math.floor((fits + fails) / 2)
        if (count === fits) break
      }
    }
    result.push(best)
    i = end
  }
  return result
}

/** One segment in place of several, when it comes near enough to all of them: a line, an arc or a cubic. */
function replacement(segments: readonly Segment[], tolerance: number): Segment | null {
  const first = segments[0]!,
    last = segments[segments.length - 1]!
  const { from } = first,
    { to } = last
  const points = segments.flatMap((s) =>
    Array.from({ length: PLACES }, (_, k) => (k === 0 ? s.from : pointAt(s, k / PLACES))),
  )
  points.push(to)
  const chord = distance(from, to)
  if (chord > SAME_POINT) {
    const d = subtract(to, from)
    const near = (p: Point) => {
      const along = dot(subtract(p, from), d) / (chord * chord)
      return (
        Math.abs(cross(d, subtract(p, from))) / chord <= tolerance &&
        along >= -SAME_PARAMETER &&
        along <= 1 + SAME_PARAMETER
      )
    }
    if (points.every(near)) return line(from, to)
    // A node near the middle is exactly on the circle; points between nodes are not.
    const arc = arcThrough(from, points[PLACES * Math.floor(segments.length / 2)]!, to, points, tolerance * 0.5)
    if (arc && follows(arc, first, last)) return arc
  }
  const { cubic, error } = fitCubic(points, directionAt(first, 0), directionAt(last, 1))
  return error <= tolerance * 0.9 && chord > SAME_POINT ? cubic : null
}

/** Whether an arc has about the end directions of the segments it replaces. */
function follows(arc: Segment, first: Segment, last: Segment): boolean {
  return dot(directionAt(arc, 0), directionAt(first, 0)) > 0.9 && dot(directionAt(arc, 1), directionAt(last, 1)) > 0.9
}
