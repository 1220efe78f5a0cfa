import { arcCentre } from './arc'
import { sweptTwice } from './area'
import { boxUnion, type Box } from './box'
import type { Path } from './path'
import { hypot, type Point } from './point'
import { pointAt, type Segment, segmentBounds } from './segment'
import { slopeAt } from './slope'
import { PARALLEL } from './tolerance'

/**
 * What a path measures: lengths in units, its area with holes taken away, where its mass would balance, its exact
 * bounds.
 */
export type Measures = {
  readonly area: number
  readonly length: number
  readonly bounds: Box | null
  readonly centroid: Point | null
  readonly segments: number
}

/** Gauss and Legendre's places and weights for eight points on 0..1. */
const GAUSS = [
  [0.1834346424956498, 0.362683783378362],
  [0.525532409916329, 0.3137066458778873],
  [0.7966664774136267, 0.2223810344533745],
  [0.9602898564975363, 0.1012285362903763],
].flatMap(
  ([x, w]) =>
    [
      [0.5 - x! / 2, w! / 2],
      [0.5 + x! / 2, w! / 2],
    ] as const,
)

/** Twice the signed area of a path, and where its mass would balance; null of none. */
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

/** Where the mass of a path would balance; null of none. */
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

/** The length of a segment: exact for lines and circular arcs, within 1e-9 of it for ellipses and cubics. */
export function segmentLength(segment: Segment): number {
  if (segment.kind === 'line') return hypot(segment.to.x - segment.from.x, segment.to.y - segment.from.y)
  if (segment.kind === 'arc') {
    const { rx, ry, extent } = arcCentre(segment)
    if (rx === ry) return rx * Math.abs(extent)
  }
  return refined((a, b) => integral(a, b, (t) => speed(segment, t)), 0, 1, 0)
}

/** An integral over halves until halving changes nothing any more. */
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

const speed = (segment: Segment, t: number): number => {
  const d = slopeAt(segment, t)
  return hypot(d.x, d.y)
}

/** The shares of a segment in the moments of area: ½∮x²dy and −½∮y²dx (Green). */
function moments(segment: Segment): [number, number] {
  const over = (f: (p: Point, d: Point) => number) =>
    refined((a, b) => integral(a, b, (t) => f(pointAt(segment, t), slopeAt(segment, t))), 0, 1, 4)
  return [over((p, d) => p.x * p.x * d.y) / 2, -over((p, d) => p.y * p.y * d.x) / 2]
}

/** The parameter up to which a segment is so long: by Newton's method, kept between what is too short and too long. */
export function lengthTo(segment: Segment, length: number): number {
  const whole = segmentLength(segment)
  if (segment.kind === 'line' || (segment.kind === 'arc' && segment.rx === segment.ry)) return length / whole
  let lo = 0,
    hi = 1,
    t = length / whole
  for (let i = 0; i < 40 && hi - lo > PARALLEL; i++) {
    const over = refined((a, b) => integral(a, b, (u) => speed(segment, u)), 0, t, 2) - length
    if (Math.abs(over) < 1e-11) return t
    if (over > 0) hi = t
    else lo = t
    const next = t - over / speed(segment, t)
    t = next > lo && next < hi ? next : (lo + hi) / 2
  }
  return t
}
