import { sweptTwice } from './area'
import { boxUnion, type Box } from './box'
import { segmentLength } from './lengths'
import { moments } from './moments'
import type { Path } from './path'
import type { Point } from './point'
import { segmentBounds } from './segment'

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
