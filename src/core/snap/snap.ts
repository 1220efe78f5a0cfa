import type { Box } from '../geometry/box'
import type { Curve } from '../geometry/curve'
import { nearestOnCurve } from '../geometry/nearest'
import { cross, distance, dot, type Point, subtract } from '../geometry/point'
import { equalGaps } from './gaps'
import { crossingsOf, curvesNear, nearestPlace, touchesFrom } from './places'
import type { SnapLine, SnapPoint, SnapTargets } from './targets'
import { SAME_POINT } from '../geometry/tolerance'

/** The place of a snap: a horizontal or vertical line, or a point, with its label. The grid has no mark. */
export type SnapMark =
  | { readonly kind: 'x' | 'y'; readonly value: number; readonly label: string }
  | { readonly kind: 'point'; readonly at: Point; readonly label: string }

export type Snapped = { readonly point: Point; readonly marks: readonly SnapMark[] }

/** The reach of snapping in pixels on the screen; `reach` is the same in grid units. */
export const REACH = 6

/**
 * Advantage in pixels of one class of places over the next: places of drawn objects over the grid, and the grid over
 * keylines and derived places. Else the nearest wins.
 */
const ADVANTAGE = 0.75

/** A candidate for one axis: its distance, and its distance less its advantage. */
type Catch = { readonly value: number; readonly away: number; readonly score: number; readonly label: string | null }

/**
 * The place on one axis that a value is caught by: the nearest of the lines within reach and the grid, by class. A line at
 * the same place as the grid gives its name to it.
 */
function catchAxis(value: number, lines: readonly SnapLine[], step: number | null, reach: number): Catch {
  const advantage = (ADVANTAGE * reach) / REACH
  let best: Catch = { value, away: Infinity, score: Infinity, label: null }
  if (step !== null) {
    const onGrid = Math.round(value / step) * step,
      away = Math.abs(onGrid - value)
    best = { value: onGrid, away, score: away, label: null }
  }
  for (const line of lines) {
    const away = Math.abs(line.value - value)
    if (away > reach) continue
    const isThere = Math.abs(line.value - best.value) < SAME_POINT,
      score = isThere && best.label === null ? best.score : away + (line.isDrawn ? -advantage : advantage)
    if (score < best.score || (isThere && best.label === null))
      best = { value: line.value, away, score, label: line.label }
  }
  return best
}

const marks = (x: Catch, y: Catch): SnapMark[] => [
  ...(x.label === null ? [] : [{ kind: 'x' as const, value: x.value, label: x.label }]),
  ...(y.label === null ? [] : [{ kind: 'y' as const, value: y.value, label: y.label }]),
]

/** A candidate for a point, by its score: its distance less its advantage. */
type Candidate = Snapped & { readonly score: number }

/**
 * A point drawn to the nearest candidate: places of drawn objects, the grid with the lines across and down, and derived
 * places: crossings, tangents and perpendiculars of a line from `from`, extensions. Distances are compared on the screen,
 * with a small advantage by class. `reach` in grid units says how near a candidate must be; the grid reaches everywhere.
 */
export function snapPoint(p: Point, targets: SnapTargets, reach: number, from?: Point): Snapped {
  const { on } = targets,
    advantage = (ADVANTAGE * reach) / REACH
  const near = on.crossings || on.tangents || on.edges ? curvesNear(targets.curves, p, reach) : []
  const candidate = (place: SnapPoint, by: number): Candidate => ({
    point: place.at,
    marks: [{ kind: 'point', ...place }],
    score: distance(place.at, p) + by,
  })
  const best = (places: readonly SnapPoint[], by: number): Candidate[] => {
    const place = nearestPlace(places, p, reach)
    return place ? [candidate(place, by)] : []
  }
  const x = catchAxis(p.x, targets.xs, targets.step, reach),
    y = catchAxis(p.y, targets.ys, targets.step, reach)
  const beyond = on.extensions ? extensionNear(targets, p, reach) : null,
    along = beyond && alongLine(beyond, p, x, y, reach, from)
  const candidates = [
    ...best(targets.points, -advantage),
    ...(on.edges ? edgeNear(near, targets, p).map((place) => candidate(place, -advantage)) : []),
    ...(on.crossings ? best(crossingsOf(near), advantage) : []),
    ...(on.tangents && from
      ? best(
          near.flatMap((curve) => touchesFrom(from, curve, p)),
          advantage,
        )
      : []),
    ...(along ? [candidate(along, advantage)] : []),
  ]
  const point = { x: x.value, y: y.value }
  const isCaught = x.away < Infinity || y.away < Infinity
  const plain: Candidate = {
    point,
    marks: marks(x, y),
    score: isCaught ? Math.hypot(scoreOf(x), scoreOf(y)) : Infinity,
  }
  const first = candidates.reduce((least, one) => (one.score < least.score ? one : least), plain)
  // A named place at the same point gives its name to it.
  const named = first === plain && candidates.find((one) => distance(one.point, point) < SAME_POINT)
  const { point: lands, marks: shown } = named || first
  return { point: lands, marks: shown }
}

/** The share of an axis in the score of a point; nothing where the axis is free. */
const scoreOf = ({ away, score }: Catch): number => (away === Infinity ? 0 : Math.max(0, score))

/** The nearest place of an edge within reach, as a list of one; none if there is none. */
function edgeNear(near: readonly Curve[], { names }: SnapTargets, p: Point): SnapPoint[] {
  if (near.length === 0) return []
  const { at, curve } = near
    .map((one) => ({ ...nearestOnCurve(one, p), curve: one }))
    .reduce((best, one) => (one.distance < best.distance ? one : best))
  return [{ at, label: names.get(curve) ?? 'edge' }]
}

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

/** The share of the reach within which a place of an extended line counts more than the line itself. */
const NEAR = 0.5

/** A place on an extended line where it crosses what the point was caught by on either axis, when that is near. */
function alongLine({ a, b }: Straight, p: Point, x: Catch, y: Catch, reach: number, from?: Point): SnapPoint {
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
  return nearestPlace(places, p, NEAR * reach) ?? { at: foot(a, d, p), label: 'extension' }
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
        (found.score < best.score - SAME_POINT || (best.label === null && found.away <= best.away + SAME_POINT))
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
