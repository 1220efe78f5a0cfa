import type { Box } from '../geometry/box'
import { nearestOnCurve } from '../geometry/nearest'
import { cross, distance, dot, type Point, subtract } from '../geometry/point'
import { equalGaps } from './gaps'
import { crossingsOf, curvesNear, nearestPlace, touchesFrom } from './places'
import type { SnapLine, SnapTargets } from './targets'
import { SAME_POINT } from '../geometry/tolerance'

/** The place of a snap: a horizontal or vertical line, or a point, with its label. The grid has no mark. */
export type SnapMark =
  | { readonly kind: 'x' | 'y'; readonly value: number; readonly label: string }
  | { readonly kind: 'point'; readonly at: Point; readonly label: string }

export type Snapped = { readonly point: Point; readonly marks: readonly SnapMark[] }

type Catch = { readonly value: number; readonly away: number; readonly label: string | null }

/** The nearest line within reach, or the grid where that is nearer; a line wins over the grid at the same place. */
function catchAxis(value: number, lines: readonly SnapLine[], step: number | null, reach: number): Catch {
  let best: Catch = { value, away: Infinity, label: null }
  for (const line of lines) {
    const away = Math.abs(line.value - value)
    if (away <= reach && away < best.away) best = { value: line.value, away, label: line.label }
  }
  if (step !== null) {
    const onGrid = Math.round(value / step) * step
    const away = Math.abs(onGrid - value)
    if (away < best.away - SAME_POINT) best = { value: onGrid, away, label: null }
  }
  return best
}

const marks = (x: Catch, y: Catch): SnapMark[] => [
  ...(x.label === null ? [] : [{ kind: 'x' as const, value: x.value, label: x.label }]),
  ...(y.label === null ? [] : [{ kind: 'y' as const, value: y.value, label: y.label }]),
]

/**
 * A point drawn to the nearest target: a place there is (node, centre, crossing), then one that a line from `from`
 * would touch or meet at a right angle, then a line gone on, then lines across and down, and the grid. `reach` in grid
 * units says how near a target must be; the grid reaches everywhere.
 */
export function snapPoint(p: Point, targets: SnapTargets, reach: number, from?: Point): Snapped {
  const { on } = targets
  const near = on.crossings || on.tangents || on.edges ? curvesNear(targets.curves, p, reach) : []
  const point = nearestPlace(targets.points, p, reach)
  const place =
    (on.crossings ? nearestPlace(crossingsOf(near), p, point ? distance(point.at, p) - 1e-6 : reach) : null) ??
    point ??
    (on.tangents && from
      ? nearestPlace(
          near.flatMap((curve) => touchesFrom(from, curve, p)),
          p,
          reach,
        )
      : null)
  if (place) return { point: place.at, marks: [{ kind: 'point', ...place }] }
  const x = catchAxis(p.x, targets.xs, targets.step, reach)
  const y = catchAxis(p.y, targets.ys, targets.step, reach)
  const beyond = on.extensions ? extensionNear(targets, p, reach) : null
  const along = beyond && alongLine(beyond, p, x, y, reach, from)
  // A place of the grid, the rules or a side wins against the extension of a line.
  const isExact = Math.max(x.away, y.away) <= reach * EXACT
  if (along && (!isExact || distance(along.point, { x: x.value, y: y.value }) < SAME_POINT)) return along
  if (on.edges && near.length > 0) {
    const { at, curve } = near
      .map((one) => ({ ...nearestOnCurve(one, p), curve: one }))
      .reduce((best, one) => (one.distance < best.distance ? one : best))
    return { point: at, marks: [{ kind: 'point', at, label: targets.names.get(curve) ?? 'edge' }] }
  }
  return { point: { x: x.value, y: y.value }, marks: marks(x, y) }
}

/** Where both axes catch within this share of the reach, the point between them is taken to be meant. */
const EXACT = 1 / 3

/** How far beyond its ends a line is extended, in lengths of the line. */
const BEYOND = 3

type Straight = { readonly a: Point; readonly b: Point }

/**
 * A straight segment whose line, gone on beyond its ends, passes a point; upright and level ones are lines across and
 * down already.
 */
function extensionNear({ curves }: SnapTargets, p: Point, reach: number): Straight | null {
  let best: Straight | null = null,
    least = reach
  for (const { segment } of curves) {
    if (segment.kind !== 'line' || segment.from.x === segment.to.x || segment.from.y === segment.to.y) continue
    const d = subtract(segment.to, segment.from),
      length = Math.hypot(d.x, d.y)
    const v = subtract(p, segment.from),
      t = dot(v, d) / (length * length),
      away = Math.abs(cross(d, v)) / length
    if ((t >= 0 && t <= 1) || t < -BEYOND || t > 1 + BEYOND || away > least) continue
    least = away
    best = { a: segment.from, b: segment.to }
  }
  return best
}

/** A place on an extended line where it crosses what the point was caught by on either axis, when that is near. */
function alongLine({ a, b }: Straight, p: Point, x: Catch, y: Catch, reach: number, from?: Point): Snapped {
  const d = subtract(b, a)
  const places = [
    ...(d.x === 0 || x.away > reach
      ? []
      : [{ at: { x: x.value, y: a.y + ((x.value - a.x) * d.y) / d.x }, label: 'extension' }]),
    ...(d.y === 0 || y.away > reach
      ? []
      : [{ at: { x: a.x + ((y.value - a.y) * d.x) / d.y, y: y.value }, label: 'extension' }]),
    ...(from ? [{ at: foot(a, d, from), label: 'perpendicular' }] : []),
  ]
  const found = nearestPlace(places, p, 1.5 * reach) ?? { at: foot(a, d, p), label: 'extension' }
  return { point: found.at, marks: [{ kind: 'point', ...found }] }
}

function foot(a: Point, d: Point, p: Point): Point {
  const k = dot(subtract(p, a), d) / dot(d, d)
  return { x: a.x + d.x * k, y: a.y + d.y * k }
}

/**
 * How far a moved box must shift so that an edge or its centre meets a target; on each axis the nearest of the three
 * wins.
 */
export function snapBox(
  box: Box,
  targets: SnapTargets,
  reach: number,
): { readonly shift: Point; readonly marks: readonly SnapMark[] } {
  const along = (from: number, size: number, lines: readonly SnapLine[], axis: 'x' | 'y') => {
    // The grid takes the near edge, so that a box of odd size keeps its edges on the grid.
    const gaps = targets.on.gaps ? equalGaps(box, targets.boxes, axis) : []
    let best = catchAxis(from, [...lines, ...gaps], targets.step, reach)
    let shift = best.value - from
    for (const place of [from + size, from + size / 2]) {
      const found = catchAxis(place, lines, null, reach)
      if (
        found.label !== null &&
        (found.away < best.away - SAME_POINT || (best.label === null && found.away <= best.away + SAME_POINT))
      ) {
        best = found
        shift = found.value - place
      }
    }
    return { best, shift }
  }
  const x = along(box.x, box.w, targets.xs, 'x'),
    y = along(box.y, box.h, targets.ys, 'y')
  return { shift: { x: x.shift, y: y.shift }, marks: marks(x.best, y.best) }
}

const OCTANTS = [
  [1, 0],
  [1, 1],
  [0, 1],
  [-1, 1],
  [-1, 0],
  [-1, -1],
  [0, -1],
  [1, -1],
] as const

/**
 * The end of a line from `from`, turned to the nearest multiple of 45° and kept as long as the pointer is far along it.
 */
export function constrainAngle(from: Point, to: Point): Point {
  const eighths = Math.round(Math.atan2(to.y - from.y, to.x - from.x) / (Math.PI / 4))
  const [x, y] = OCTANTS[(eighths + 8) % 8]!
  const along = ((to.x - from.x) * x + (to.y - from.y) * y) / (x * x + y * y)
  return { x: from.x + x * along, y: from.y + y * along }
}
