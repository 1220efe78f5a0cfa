import type { Path } from '../../geometry/path'
import { distance } from '../../geometry/point'
import { line, type Segment } from '../../geometry/segment'
import { FAR, SAME_POINT } from '../../geometry/tolerance'
import type { Thing } from '../model/traits'
import { Refusal } from '../../findings/refusal'

/**
 * A path as it can be drawn: arcs without an extent are straight (SVG 2 §9.5.1), contours without segments are left
 * out. Throws when it is too far from the square.
 */
export function drawable(object: Thing, path: Path): Path {
  let same = true
  const contours = path.map((contour) => {
    if (!contour.segments.some(isFlat)) return contour
    same = false
    return {
      ...contour,
      segments: contour.segments.flatMap((segment) =>
        !isFlat(segment)
          ? [segment]
          : distance(segment.from, segment.to) > SAME_POINT
            ? [line(segment.from, segment.to)]
            : [],
      ),
    }
  })
  if (!contours.every(({ segments }) => segments.every(isWithinReach)))
    throw new Refusal('too-far', `“${object.name}” is too far from the square.`)
  return same && path.every(({ segments }) => segments.length > 0)
    ? path
    : contours.filter(({ segments }) => segments.length > 0)
}

const isFlat = (segment: Segment): boolean =>
  segment.kind === 'arc' && !(segment.rx > SAME_POINT && segment.ry > SAME_POINT)

function isWithinReach(segment: Segment): boolean {
  const { from, to } = segment
  if (!isNear(from.x) || !isNear(from.y) || !isNear(to.x) || !isNear(to.y)) return false
  if (segment.kind === 'cubic')
    return isNear(segment.c1.x) && isNear(segment.c1.y) && isNear(segment.c2.x) && isNear(segment.c2.y)
  return segment.kind !== 'arc' || (isNear(segment.rx) && isNear(segment.ry))
}

const isNear = (x: number): boolean => Math.abs(x) <= FAR
