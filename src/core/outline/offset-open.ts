import { nearestOnPath } from '../geometry/nearest'
import type { Contour, Path } from '../geometry/path'
import { cross, distance, type Point, subtract } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { SNAP } from '../geometry/tolerance'
import type { OffsetJoin } from './offset'
import { strokedArea } from './stroking'

/**
 * Open lines at a distance beside open lines: to the left of their way where it is positive, to the right where it is
 * negative (as seen on screen). They are that side of the outline of a stroke twice as wide with butt caps, so that
 * nothing of them comes nearer than the distance.
 */
export function offsetOpen(lines: Path, away: number, { join, miterLimit }: OffsetJoin): Path {
  if (away === 0) return lines
  return lines.flatMap((line) => {
    const outline = strokedArea([line], { width: 2 * Math.abs(away), cap: 'butt', join, miterLimit })
    return outline.flatMap((contour) => runsBeside(contour, line, away))
  })
}

/** The runs of a stroke's outline on one side of its line. */
function runsBeside({ segments }: Contour, line: Contour, away: number): Contour[] {
  const kept = segments.map((segment) => isBeside(segment, line, away))
  if (kept.every(Boolean)) return [{ segments, closed: true }]
  const first = kept.findIndex((here, i) => here && !kept[(i + kept.length - 1) % kept.length])
  if (first === -1) return []
  const runs: Segment[][] = []
  for (let i = 0; i < segments.length; i++) {
    const k = (first + i) % segments.length
    if (!kept[k]) continue
    if (i > 0 && kept[(k + kept.length - 1) % kept.length]) runs.at(-1)!.push(segments[k]!)
    else runs.push([segments[k]!])
  }
  return runs.map((run) => ({ segments: run, closed: false }))
}

function isBeside(segment: Segment, line: Contour, away: number): boolean {
  const middle = pointAt(segment, 0.5)
  const { from } = line.segments[0]!,
    { to } = line.segments.at(-1)!
  const isCap = (end: Point) =>
    segment.kind === 'line' &&
    Math.abs(distance(segment.from, end) + distance(end, segment.to) - distance(segment.from, segment.to)) < SNAP
  if (isCap(from) || isCap(to)) return false
  const near = nearestOnPath([line], middle)!
  const side = cross(directionAt(line.segments[near.segment]!, near.t), subtract(middle, near.at))
  return side * away < 0
}
