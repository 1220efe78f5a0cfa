import { type Box, boxCentre, boxContains } from '../../geometry/box'
import { curveOf } from '../../geometry/curve'
import { nearestOnCurve } from '../../geometry/nearest'
import type { Contour } from '../../geometry/path'
import { distance, type Point } from '../../geometry/point'
import { pointAt } from '../../geometry/segment'
import { equal } from './equal'
import type { Figure } from './figure'
import { constant, type Spot, sumOf, unknown } from './form'
import { across, type Axis, type Length } from './mark'
import type { Relation } from './solve'
import type { Tied } from './tie'
import { HARD, NEAR } from './weights'

/** The places that draw a contour: its edge lies half a stroke beside a stretch or a circle of theirs, or on it. */
export function drawing(contour: Contour, box: Box, { stretches, circles }: Figure): ReadonlySet<Spot> {
  const curves = contour.segments.map(curveOf)
  const isBeside = (p: Point, half: Length | null) => {
    const reach = (half?.was ?? 0) + NEAR
    return boxContains(box, p, reach) && curves.some((curve) => nearestOnCurve(curve, p).distance <= reach)
  }
  const found = new Set<Spot>()
  for (const { segment, from, to, half } of stretches)
    if (isBeside(pointAt(segment, 0.5), half)) found.add(from).add(to)
  for (const { centre, was, half } of circles) {
    const { x, y } = centre.was
    const sides = [
      { x: x + was, y },
      { x: x - was, y },
      { x, y: y + was },
      { x, y: y - was },
    ]
    if (sides.some((side) => isBeside(side, half))) found.add(centre)
  }
  return found
}

const middleOf = (box: Box, axis: Axis): number => (axis === 'x' ? box.x + box.w / 2 : box.y + box.h / 2)

/** The places along a symmetric contour in pairs of mirror images; one on the line is its own image. */
export function imagesAmong(
  spots: readonly Spot[],
  along: ReadonlySet<Spot>,
  axis: Axis,
  box: Box,
): (readonly [Spot, Spot])[] {
  const inside = spots.filter((spot) => along.has(spot)),
    sum = 2 * middleOf(box, axis)
  // Of places that are all but one, each has the one image that is nearest.
  const imageOf = (p: Spot) => {
    const there = { ...p.was, [axis]: sum - p.was[axis] }
    const near = inside.reduce<Spot | null>(
      (best, q) => (!best || distance(q.was, there) < distance(best.was, there) ? q : best),
      null,
    )
    return near && distance(near.was, there) <= NEAR ? near : null
  }
  return inside.flatMap((p, i) => {
    const q = imageOf(p)
    return !q || inside.indexOf(q) < i || imageOf(q) !== p ? [] : [[p, q] as const]
  })
}

/** Relations that keep a symmetric contour symmetric about one line. */
export function mirrored(
  { spots, circles }: Figure,
  along: ReadonlySet<Spot>,
  axis: Axis,
  box: Box,
  scale: number,
  values: number[],
): Tied {
  const other = across(axis)
  const middle = middleOf(box, axis)
  const image = (p: Point): Point => ({ ...p, [axis]: 2 * middle - p[axis] })
  const line = unknown(values.push(middle * scale) - 1)
  const found: Relation[] = []
  for (const [p, q] of imagesAmong(spots, along, axis, box)) {
    found.push({
      kind: 'sum',
      weight: HARD,
      form: sumOf([
        [0.5, p[axis]],
        [0.5, q[axis]],
        [-1, line],
      ]),
    })
    if (p !== q) found.push(equal(p[other], q[other], HARD))
  }
  circles.forEach((one, i) => {
    if (!along.has(one.centre)) return
    for (const two of circles.slice(0, i))
      if (
        along.has(two.centre) &&
        Math.abs(one.was - two.was) < NEAR &&
        distance(image(one.centre.was), two.centre.was) <= NEAR
      )
        found.push(equal(one.r, two.r, HARD))
  })
  const still = (along: Axis) => constant(boxCentre(box)[along] * scale)
  const spot: Spot = {
    was: boxCentre(box),
    x: axis === 'x' ? line : still('x'),
    y: axis === 'y' ? line : still('y'),
  }
  return { tie: { kind: axis === 'x' ? 'left-right' : 'top-bottom', spot }, relations: found }
}
