import { distance, type Point } from '../geometry/point'
import { type Circle, meetings, type Touched } from '../geometry/solve'
import { nearestOnCurve } from '../geometry/nearest'
import { carrierOf, nearestPlace } from './places'
import type { SnapMark } from './snap'
import type { SnapPoint, SnapTargets } from './targets'
import { ROUNDING, SAME_POINT } from '../geometry/tolerance'

/** A circle that was moved or sized to touch something, and where. */
type Touching = { readonly circle: Circle; readonly marks: readonly SnapMark[] }

type Carrier = { readonly locus: Touched; readonly touched: Touched }

/**
 * Moves a circle of fixed size to touch nearby targets: two within reach, else one, kept on the grid along it if that
 * is near. Null if there is none.
 */
export function touchByMoving({ centre, r }: Circle, targets: SnapTargets, reach: number): Touching | null {
  if (!targets.on.tangents) return null
  const near = targets.edges.filter(
    ({ box: { x, y, w, h } }) =>
      centre.x + r > x - reach &&
      centre.x - r < x + w + reach &&
      centre.y + r > y - reach &&
      centre.y - r < y + h + reach,
  )
  // Where the circle's centre may lie: at its radius from a line, or from a circle on either side of it.
  const carriers = near.flatMap((curve): Carrier[] => {
    const touched = carrierOf(curve)
    if (!touched) return []
    const gap = 'centre' in touched ? distance(centre, touched.centre) : nearestOnCurve(curve, centre).distance
    const loci: Touched[] =
      'centre' in touched
        ? [
            { centre: touched.centre, r: touched.r + r },
            { centre: touched.centre, r: Math.abs(touched.r - r) },
          ]
        : beside(touched, r)
    return loci
      .filter((locus) =>
        'centre' in locus
          ? Math.abs(gap - locus.r) <= reach && locus.r > 0
          : Math.abs(gap - r) <= reach && awayFrom(locus, centre) <= reach,
      )
      .map((locus) => ({ locus, touched }))
  })
  if (carriers.length === 0) return null
  const both: (SnapPoint & { touched: readonly Touched[] })[] = []
  carriers.forEach((a, i) => {
    for (const b of carriers.slice(i + 1))
      if (a.touched !== b.touched)
        for (const at of meetings(a.locus, b.locus))
          both.push({ at, label: 'tangent', touched: [a.touched, b.touched] })
    if (targets.step === null) return
    const { step } = targets,
      x = Math.round(centre.x / step) * step,
      y = Math.round(centre.y / step) * step
    for (const line of [
      { a: { x, y: 0 }, b: { x, y: 1 } },
      { a: { x: 0, y }, b: { x: 1, y } },
    ])
      for (const at of meetings(a.locus, line)) both.push({ at, label: 'tangent', touched: [a.touched] })
  })
  const two =
    nearestPlace(
      both.filter(({ touched }) => touched.length === 2),
      centre,
      1.5 * reach,
    ) ?? nearestPlace(both, centre, reach)
  if (two) return touching({ centre: two.at, r }, both.find(({ at }) => at === two.at)!.touched)
  const { locus, touched } = carriers[0]!
  return touching({ centre: nearestOf(locus, centre), r }, [touched])
}

/** Sizes a circle about a fixed centre to touch a target near the pointer. Null if there is none. */
export function touchBySizing({ centre, r }: Circle, targets: SnapTargets, reach: number): Touching | null {
  if (!targets.on.tangents) return null
  let best: { r: number; at: Point } | null = null,
    least = reach
  const consider = (size: number, at: Point) => {
    if (size <= SAME_POINT || Math.abs(size - r) > least) return
    least = Math.abs(size - r)
    best = { r: size, at }
  }
  for (const curve of targets.edges) {
    const near = nearestOnCurve(curve, centre)
    consider(near.distance, near.at)
    const touched = carrierOf(curve)
    if (!touched || !('centre' in touched)) continue
    const away = distance(touched.centre, centre)
    if (away > SAME_POINT) consider(away + touched.r, along(centre, touched.centre, away + touched.r))
  }
  const found = best as { r: number; at: Point } | null
  return found && { circle: { centre, r: found.r }, marks: [{ kind: 'point', at: found.at, label: 'tangent' }] }
}

const along = (from: Point, to: Point, far: number): Point => {
  const length = distance(from, to)
  return { x: from.x + ((to.x - from.x) * far) / length, y: from.y + ((to.y - from.y) * far) / length }
}

/** The two lines beside a line, at a distance. */
function beside({ a, b }: { a: Point; b: Point }, r: number): Touched[] {
  const length = distance(a, b),
    nx = (-(b.y - a.y) / length) * r,
    ny = ((b.x - a.x) / length) * r
  return [1, -1].map((side) => ({
    a: { x: a.x + side * nx, y: a.y + side * ny },
    b: { x: b.x + side * nx, y: b.y + side * ny },
  }))
}

const awayFrom = (locus: Touched, p: Point): number => distance(nearestOf(locus, p), p)

/** The nearest place of a whole line or circle. */
export function nearestOf(one: Touched, p: Point): Point {
  if ('centre' in one)
    return distance(one.centre, p) < ROUNDING
      ? { x: one.centre.x + one.r, y: one.centre.y }
      : along(one.centre, p, one.r)
  const dx = one.b.x - one.a.x,
    dy = one.b.y - one.a.y
  const k = ((p.x - one.a.x) * dx + (p.y - one.a.y) * dy) / (dx * dx + dy * dy)
  return { x: one.a.x + k * dx, y: one.a.y + k * dy }
}

function touching(circle: Circle, touched: readonly Touched[]): Touching {
  const marks = touched.map((one): SnapMark => {
    const foot = nearestOf(one, circle.centre)
    // Inside of a circle it touches, the place is on the far side of its centre.
    const at =
      'centre' in one && one.r < circle.r && distance(one.centre, circle.centre) < circle.r
        ? along(one.centre, circle.centre, -one.r)
        : foot
    return { kind: 'point', at, label: 'tangent' }
  })
  return { circle, marks }
}
