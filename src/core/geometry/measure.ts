import { sweptTwice } from './area'
import { boxUnion, type Box } from './box'
import { GAUSS, segmentLength } from './lengths'
import type { Path } from './path'
import type { Point } from './point'
import { pointAt, type Segment, segmentBounds } from './segment'
import { slopeAt } from './slope'

/** The measures of a path: lengths in grid units, its area without its holes, its centroid, its exact bounds. */
export type Measures = {
  readonly area: number
  readonly length: number
  readonly bounds: Box | null
  readonly centroid: Point | null
  readonly segments: number
}

/** Twice the signed area of a path, and its centroid; null where the area is zero. */
function balance(path: Path): { twice: number; centroid: Point | null } {
  let twice = 0,
    momentX = 0,
    momentY = 0
  for (const contour of path) {
    const first = contour.segments[0]!.from,
      last = contour.segments[contour.segments.length - 1]!.to
    for (const segment of [...contour.segments, { kind: 'line', from: last, to: first } as const]) {
      twice += sweptTwice(segment)
      const [x, y] = moments(segment)
      momentX += x
      momentY += y
    }
  }
  return { twice, centroid: twice === 0 ? null : { x: (2 * momentX) / twice, y: (2 * momentY) / twice } }
}

/** The centroid of a path's area; null where the area is zero. */
export const centroidOf = (path: Path): Point | null => balance(path).centroid

export function measure(path: Path): Measures {
  const segments = path.flatMap((contour) => contour.segments)
  const { twice, centroid } = balance(path)
  return {
    area: Math.abs(twice) / 2,
    length: segments.reduce((sum, segment) => sum + segmentLength(segment), 0),
    bounds: boxUnion(segments.map((s) => segmentBounds(s))),
    centroid,
    segments: segments.length,
  }
}

/** An integral, halved until halving no longer changes the result. */
function refined(over: (a: number, b: number) => number, a: number, b: number, depth: number): number {
  const whole = over(a, b),
    middle = (a + b) / 2
  const sum = over(a, middle) + over(middle, b)
  return Math.abs(sum - whole) < 1e-11 * (1 + Math.abs(sum)) || depth > 14
    ? sum
    : refined(over, a, middle, depth + 1) + refined(over, middle, b, depth + 1)
}

const integral = (a: number, b: number, f: (t: number) => number): number =>
  GAUSS.reduce((sum, [t, weight]) => sum + weight * f(a + (b - a) * t), 0) * (b - a)

/** A segment's contributions to the first moments of area: ½∮x²dy and −½∮y²dx (Green's theorem). */
function moments(segment: Segment): [number, number] {
  const over = (f: (p: Point, d: Point) => number) =>
    refined((a, b) => integral(a, b, (t) => f(pointAt(segment, t), slopeAt(segment, t))), 0, 1, 4)
  return [over((p, d) => p.x * p.x * d.y) / 2, -over((p, d) => p.y * p.y * d.x) / 2]
}
