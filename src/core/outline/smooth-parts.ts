import { cubicSlope } from '../geometry/cubic'
import { powers } from '../geometry/curve'
import { stretch } from '../geometry/stretch'
import { cross, distance, hypot, subtract } from '../geometry/point'
import { rootsOnUnit } from '../geometry/roots'
import { type Cubic, line, pointAt, type Segment } from '../geometry/segment'
import { SAME_PARAMETER, SAME_POINT, SNAP, STILL } from '../geometry/tolerance'

/**
 * A segment as parts that never stand still between their ends: a cubic is cut at its cusps, and one that runs straight
 * is the lines between the places where it turns back. The segment itself where that is all of it.
 */
export function smoothParts(segment: Segment): readonly Segment[] {
  if (segment.kind !== 'cubic') return [segment]
  const { from, c1, c2, to } = segment
  const size = distance(from, c1) + distance(c1, c2) + distance(c2, to)
  const stops = (p: readonly number[]) => rootsOnUnit([p[1]!, 2 * p[2]!, 3 * p[3]!], 0).map(({ t }) => t)
  const inner = [...stops(powers(from.x, c1.x, c2.x, to.x)), ...stops(powers(from.y, c1.y, c2.y, to.y))].filter(
    (t) => t > SAME_PARAMETER && t < 1 - SAME_PARAMETER,
  )
  if (isStraight(segment)) {
    const places = [from, ...inner.sort((a, b) => a - b).map((t) => pointAt(segment, t)), to]
    return places.slice(1).flatMap((p, i) => (distance(places[i]!, p) > SAME_POINT ? [line(places[i]!, p)] : []))
  }
  const cusp = inner.find((t) => {
    const { x, y } = cubicSlope(segment, t)
    return hypot(x, y) <= STILL * size
  })
  if (cusp === undefined) return [segment]
  // The remaining slope at the cusp is rounding error: both parts leave it as if it were zero.
  const before = stretch(segment, 0, cusp) as Cubic,
    after = stretch(segment, cusp, 1) as Cubic
  return [
    { ...before, c2: before.to },
    { ...after, c1: after.from },
  ]
}

/** True for a cubic with collinear points. */
function isStraight({ from, c1, c2, to }: Cubic): boolean {
  // The farthest of its points from its start says along which line.
  const far = [c1, c2, to].reduce((a, b) => (distance(from, a) >= distance(from, b) ? a : b))
  const along = subtract(far, from),
    length = hypot(along.x, along.y)
  return length > 0 && [c1, c2, to].every((p) => Math.abs(cross(along, subtract(p, from))) <= (SNAP / 10) * length)
}
