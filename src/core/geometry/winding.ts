import { arcCentre } from './arc'
import type { Box } from './box'
import { powers } from './curve'
import type { Path } from './path'
import type { Point } from './point'
import { rootsOnUnit } from './roots'
import { line, pointsOf, type Segment, segmentBounds } from './segment'
import { LAST_BIT } from './tolerance'

/**
 * How often a segment passes a point on its right, upwards taken away from downwards: the share it has in the winding
 * number of the closed path it belongs to. Its bounds may be given. The segment is cut where it runs level, so that
 * each piece meets the ray at most once; each piece counts its upper end but not its lower one, so that a ray through a
 * node counts it once.
 */
export function passes(segment: Segment, p: Point, box: Box = segmentBounds(segment)): number {
  if (p.y < box.y || p.y > farEdge(box.y, box.h) || p.x > farEdge(box.x, box.w)) return 0
  const { from, to } = segment,
    down = from.y <= p.y && to.y > p.y,
    up = to.y <= p.y && from.y > p.y
  // All of the segment lies to the right of the point, so its ends decide.
  if (p.x < box.x) return down ? 1 : up ? -1 : 0
  if (segment.kind === 'line') {
    if (!down && !up) return 0
    return from.x + ((to.x - from.x) * (p.y - from.y)) / (to.y - from.y) > p.x ? (down ? 1 : -1) : 0
  }
  return climbs(segment)(p)
}

/** The far edge of a box, not below the true one: the sum of an edge and a length may round to less. */
const farEdge = (near: number, length: number): number => near + length + Number.EPSILON * (Math.abs(near) + length)

/** The same of a curve whose bounds the point lies in: the curve is cut once for all points. */
function climbs(segment: Segment): (p: Point) => number {
  const { from, to } = segment
  const at = pointsOf(segment),
    stops = [0, ...levels(segment), 1],
    places = stops.map((t) => (t === 0 ? from : t === 1 ? to : at(t)))
  return (p) => {
    let count = 0
    for (let i = 0; i + 1 < stops.length; i++)
      count += passesOnce(at, [stops[i]!, stops[i + 1]!], places[i]!, places[i + 1]!, p)
    return count
  }
}

function passesOnce(
  pointAt: (t: number) => Point,
  [t0, t1]: readonly [number, number],
  from: Point,
  to: Point,
  p: Point,
): number {
  const down = from.y <= p.y && to.y > p.y,
    up = to.y <= p.y && from.y > p.y
  if (!down && !up) return 0
  let lo = t0,
    hi = t1,
    at = from
  for (let i = 0; i < 60 && hi - lo > LAST_BIT; i++) {
    const t = (lo + hi) / 2
    at = pointAt(t)
    if (at.y <= p.y === down) lo = t
    else hi = t
  }
  return at.x > p.x ? (down ? 1 : -1) : 0
}

/** How many times a path winds around a point; open contours count as closed by a straight line. */
export const winding = (path: Path, p: Point): number => windingOf(path)(p)

/** The same for many points of one path, which is measured once. */
export function windingOf(path: Path): (p: Point) => number {
  const walls = path.flatMap(({ segments }) =>
    [...segments, line(segments.at(-1)!.to, segments[0]!.from)].map((segment) => ({
      segment,
      box: segmentBounds(segment),
      curve: null as ((p: Point) => number) | null,
    })),
  )
  return (p) => {
    let count = 0
    for (const wall of walls) {
      const { segment, box } = wall
      const isWithin = p.y >= box.y && p.y <= box.y + box.h && p.x >= box.x && p.x <= box.x + box.w
      count += isWithin && segment.kind !== 'line' ? (wall.curve ??= climbs(segment))(p) : passes(segment, p, box)
    }
    return count
  }
}

/** Parameters at which a segment runs level, in order. */
function levels(segment: Segment): number[] {
  switch (segment.kind) {
    case 'line':
      return []
    case 'arc': {
      const { rx, ry, start, extent } = arcCentre(segment)
      const level = Math.atan2(ry * Math.cos(segment.turn), rx * Math.sin(segment.turn))
      const turns: number[] = []
      for (let k = -4; k <= 4; k++) {
        const t = (level + k * Math.PI - start) / extent
        if (t > 0 && t < 1) turns.push(t)
      }
      return turns.sort((a, b) => a - b)
    }
    case 'cubic': {
      const [, b, c, d] = powers(segment.from.y, segment.c1.y, segment.c2.y, segment.to.y)
      return rootsOnUnit([b, 2 * c, 3 * d], 0)
        .map(({ t }) => t)
        .filter((t) => t > 0 && t < 1)
    }
  }
}
