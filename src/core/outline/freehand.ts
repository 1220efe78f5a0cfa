import { type Contour, polyline } from '../geometry/path'
import { cross, distance, dot, type Point, subtract, unit } from '../geometry/point'
import { line, type Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { SAME_POINT } from '../geometry/tolerance'
import { fitCubic } from './fit-cubic'
import { arcThrough } from './recognise'

/** A turn within the reach of the smoothness by more than this is meant as a corner, in radians (55°). */
const CORNER = 0.96

/**
 * What a hand drew as few lines, arcs and cubics, nowhere farther from the points than `smoothness` grid units; what
 * turns sharply stays a corner. Between corners the segments run on smoothly. `points` in the order they were drawn;
 * fewer than two different ones give null.
 */
export function freehand(points: readonly Point[], smoothness: number, closed = false): Contour | null {
  const raw = polyline(points, false).segments
  if (raw.every(({ from, to }) => distance(from, to) <= SAME_POINT)) return null
  const dense = withPointsBetween([raw[0]!.from, ...raw.map(({ to }) => to)], Math.max(smoothness, 0.05))
  const ring = closed && distance(dense[0]!, dense[dense.length - 1]!) > SAME_POINT ? [...dense, dense[0]!] : dense
  const corners = cornersOf(ring, Math.max(4 * smoothness, 0.4))
  const segments: Segment[] = []
  for (let i = 0; i + 1 < corners.length; i++)
    segments.push(...stretch(ring.slice(corners[i]!, corners[i + 1]! + 1), smoothness))
  return { segments, closed }
}

/** Points with more between them where they are far apart, so that fits are held along long straight runs too. */
function withPointsBetween(points: readonly Point[], step: number): Point[] {
  return points.flatMap((p, i) => {
    const next = points[i + 1]
    if (!next) return [p]
    const count = Math.min(200, Math.max(1, Math.ceil(distance(p, next) / (4 * step))))
    return Array.from({ length: count }, (_, k) => ({
      x: p.x + ((next.x - p.x) * k) / count,
      y: p.y + ((next.y - p.y) * k) / count,
    }))
  })
}

/** The first and last point, and those around which the line turns most, by more than `CORNER` within the reach. */
function cornersOf(points: readonly Point[], reach: number): number[] {
  const turns = points.map((p, i) => {
    const before = reached(points, i, -1, reach),
      after = reached(points, i, 1, reach)
    if (before === i || after === i) return 0
    const d = unit(subtract(p, points[before]!)),
      e = unit(subtract(points[after]!, p))
    return Math.abs(Math.atan2(cross(d, e), dot(d, e)))
  })
  const corners = [0]
  turns.forEach((turn, i) => {
    if (turn <= CORNER || i === 0 || i === points.length - 1) return
    const lo = reached(points, i, -1, reach),
      hi = reached(points, i, 1, reach)
    for (let k = lo; k <= hi; k++) if (turns[k]! > turn || (turns[k] === turn && k < i)) return
    corners.push(i)
  })
  return [...corners, points.length - 1]
}

/** The number of the point that lies so far along the line from another, or of the last there is. */
function reached(points: readonly Point[], from: number, step: 1 | -1, reach: number): number {
  let way = 0,
    i = from
  while (way < reach && points[i + step]) {
    way += distance(points[i]!, points[i + step]!)
    i += step
  }
  return i
}

/** Points without a corner as few segments, each as long as it can be and leaving as the one before arrives. */
function stretch(points: readonly Point[], smoothness: number): Segment[] {
  const result: Segment[] = []
  let leaving: Point | null = null
  for (let i = 0; i < points.length - 1;) {
    let fits = i + 1,
      fails = points.length
    let best: { segment: Segment; arriving: Point } = {
      segment: line(points[i]!, points[i + 1]!),
      arriving: unit(subtract(points[i + 1]!, points[i]!)),
    }
    for (let end = points.length - 1; end > fits; end = Math.floor((fits + fails) / 2)) {
      const one = asOne(points.slice(i, end + 1), leaving, directionNear(points, end, smoothness), smoothness)
      if (one) {
        best = one
        fits = end
      } else fails = end
    }
    result.push(best.segment)
    leaving = best.arriving
    i = fits
  }
  return result
}

function asOne(
  points: readonly Point[],
  leaving: Point | null,
  arriving: Point,
  smoothness: number,
): { segment: Segment; arriving: Point } | null {
  const from = points[0]!,
    to = points[points.length - 1]!,
    chord = distance(from, to)
  if (chord <= SAME_POINT) return null
  const along = unit(subtract(to, from))
  const smooth = (d: Point) => !leaving || dot(leaving, d) > 0.985
  if (smooth(along) && points.every((p) => Math.abs(cross(along, subtract(p, from))) <= smoothness))
    return { segment: line(from, to), arriving: along }
  const arc = arcThrough(from, points[Math.floor(points.length / 2)]!, to, points, smoothness)
  if (arc && smooth(directionAt(arc, 0))) return { segment: arc, arriving: directionAt(arc, 1) }
  const fit = fitCubic(points, leaving ?? directionNear(points, 0, smoothness), arriving)
  return fit.error <= smoothness ? { segment: fit.cubic, arriving } : null
}

/** Direction of the line at a point: that of the chord over a few smoothnesses before and after it. */
function directionNear(points: readonly Point[], i: number, smoothness: number): Point {
  const reach = Math.max(3 * smoothness, 0.2)
  const a = reached(points, i, -1, reach),
    b = reached(points, i, 1, reach)
  return unit(subtract(points[b]!, points[a]!))
}
