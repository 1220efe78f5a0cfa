import { type Box, boxContains, boxUnion } from '../../geometry/box'
import { curveOf } from '../../geometry/curve'
import { nearestOnCurve } from '../../geometry/nearest'
import type { Contour } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { pointAt, segmentBounds } from '../../geometry/segment'
import { across, type Axis } from './mark'

type Boxed = { readonly contour: Contour; readonly box: Box }

/** Two contours that are each other's mirror images along an axis, and the box of both. */
export type Pair<T extends Boxed = Boxed> = {
  readonly axis: Axis
  readonly one: T
  readonly other: T
  readonly box: Box
}

/** Twice the centre of a box along an axis: the sum of a coordinate and its mirror image. */
export const mirrorSum = ({ x, y, w, h }: Box, axis: Axis): number => (axis === 'x' ? 2 * x + w : 2 * y + h)

/**
 * A point of a contour whose mirror image is farther than `near` from another contour; null if there is none. `sum` is
 * the sum of a coordinate and its image.
 */
export function unevenAt(of: Contour, on: Contour, axis: Axis, sum: number, near: number): Point | null {
  const { segments } = on
  const boxes = segments.map((segment) => segmentBounds(segment))
  const curves = segments.map(curveOf)
  const isOn = (p: Point) =>
    segments.some((_, i) => boxContains(boxes[i]!, p, near) && nearestOnCurve(curves[i]!, p).distance <= near)
  for (const segment of of.segments)
    for (const t of [0, 0.5]) {
      const p = pointAt(segment, t)
      if (!isOn({ ...p, [axis]: sum - p[axis] })) return p
    }
  return null
}

/**
 * The pairs of contours, side by side along an axis, that are each other's mirror images within `near`. Each contour is in
 * one pair at most: the one whose middle is nearest to that of them all.
 */
export function mirroredPairs<T extends Boxed>(list: readonly T[], axis: Axis, near: number): Pair<T>[] {
  const whole = boxUnion(list.map(({ box }) => box))
  if (!whole) return []
  const along = axis === 'x' ? 'w' : 'h',
    other = across(axis),
    beside = axis === 'x' ? 'h' : 'w'
  const candidates: (Pair<T> & { readonly aside: number })[] = []
  list.forEach((one, i) => {
    for (const two of list.slice(i + 1)) {
      const a = one.box,
        b = two.box
      if (Math.abs(a[along] - b[along]) > near || Math.abs(a[beside] - b[beside]) > near) continue
      if (Math.abs(a[other] - b[other]) > near || Math.abs(a[axis] - b[axis]) < a[along]) continue
      if (one.contour.segments.length !== two.contour.segments.length) continue
      const box = boxUnion([a, b])!,
        sum = mirrorSum(box, axis)
      candidates.push({ axis, one, other: two, box, aside: Math.abs(sum - mirrorSum(whole, axis)) })
    }
  })
  const taken = new Set<T>()
  return candidates
    .sort((a, b) => a.aside - b.aside)
    .filter(({ one, other: two, box }) => {
      if (taken.has(one) || taken.has(two)) return false
      if (unevenAt(one.contour, two.contour, axis, mirrorSum(box, axis), near)) return false
      taken.add(one).add(two)
      return true
    })
}
