import { type Curve, curveOf } from '../../geometry/curve'
import { nearestOnCurve } from '../../geometry/nearest'
import { boxContains } from '../../geometry/box'
import { distance, type Point } from '../../geometry/point'
import { segmentBounds } from '../../geometry/segment'
import type { Figure, Stretch } from './figure'
import { constant, type Spot, sumOf } from './form'
import { across, AXES, type Length } from './mark'
import type { Relation } from './solve'
import type { Tied } from './tie'
import { HARD, NEAR, SEEN, SHORT } from './weights'

/** Relations that keep places on stretches of other runs, or on an edge of their strokes. */
export function contacts({ spots, stretches, circles }: Figure, scale: number): Tied[] {
  const found: Tied[] = []
  const add = (spot: Spot, relations: readonly Relation[]) => {
    if (relations.length > 0) found.push({ tie: { kind: 'end', spot }, relations })
  }
  const curves = new Map<Stretch, Curve>()
  const ends = new Map<Spot, Set<number>>()
  for (const { from, to, run } of stretches)
    for (const spot of [from, to]) ends.set(spot, (ends.get(spot) ?? new Set()).add(run))
  for (const stretch of stretches) {
    const { segment, from, to, half } = stretch
    const isOnCircle =
      segment.kind === 'arc' &&
      circles.some(({ centre, run }) => run === stretch.run && isHung(from, centre) && isHung(to, centre))
    if (isOnCircle) continue
    const reach = (half?.was ?? 0) + NEAR
    const box = segmentBounds(segment)
    for (const p of spots) {
      if (p === from || p === to || !ends.has(p)) continue
      if (distance(p.was, from.was) < 1e-4 || distance(p.was, to.was) < 1e-4) continue
      if (!boxContains(box, p.was, reach)) continue
      let curve = curves.get(stretch)
      if (!curve) curves.set(stretch, (curve = curveOf(segment)))
      const { t, at, distance: away } = nearestOnCurve(curve, p.was)
      if (away > reach) continue
      if (t === 0 || t === 1) {
        if (away <= NEAR) add(p, together(p, t === 0 ? from : to, scale))
        continue
      }
      add(p, onStretch(stretch, p, t, at, scale))
    }
  }
  for (const { centre, r, was, half, run } of circles)
    for (const [p, runs] of ends) {
      const away = distance(p.was, centre.was) - was
      if (runs.has(run) || Math.abs(away) > (half?.was ?? 0) + NEAR) continue
      const { by: beside, weight } = besideOf(away, half, scale)
      const by = sumOf([
        [1, r],
        [1, constant(beside)],
      ])
      add(p, [{ kind: 'away', weight, p, q: centre, by }])
    }
  return found
}

/**
 * Distance on the other grid of a place that was `away` from the centre line of a stroke: on the line, on the edge of
 * the stroke, or in proportion below it. The latter has a low weight, because it is hidden.
 */
function besideOf(away: number, half: Length | null, scale: number): { by: number; weight: number } {
  if (Math.abs(away) <= NEAR) return { by: 0, weight: HARD }
  return half && Math.abs(Math.abs(away) - half.was) <= NEAR
    ? { by: Math.sign(away) * half.is, weight: HARD }
    : { by: away * scale, weight: SEEN }
}

/** Whether a place hangs on the middle of a circle. */
const isHung = (p: Spot, centre: Spot): boolean => p.x.of.length > 1 && centre.x.of.every((one) => p.x.of.includes(one))

/** Two places that are all but one keep the little that lies between them. */
const together = (p: Spot, q: Spot, scale: number): Relation[] =>
  AXES.map((axis) => ({
    kind: 'sum',
    weight: HARD,
    form: sumOf([
      [1, p[axis]],
      [-1, q[axis]],
      [-1, constant((p.was[axis] - q.was[axis]) * scale)],
    ]),
  }))

/** A relation that keeps a place on a stretch, at parameter `t`, or beside it below its stroke. */
function onStretch({ segment, from, to, half }: Stretch, p: Spot, t: number, at: Point, scale: number): Relation[] {
  const u = { x: to.was.x - from.was.x, y: to.was.y - from.was.y }
  if (Math.hypot(u.x, u.y) < SHORT) return []
  if (segment.kind === 'line') {
    const side = u.x * (p.was.y - from.was.y) - u.y * (p.was.x - from.was.x)
    const away = side / Math.hypot(u.x, u.y)
    const { by, weight } = besideOf(away, half, scale)
    return [{ kind: 'beside', weight, p, a: from, b: to, by: constant(by) }]
  }
  if (segment.kind === 'cubic') {
    // Handles are stretched along each axis as the way between their nodes is, and places between go along.
    return AXES.map((axis): Relation => {
      const long = u[axis]
      const share = Math.abs(long) < 0.5 ? 3 * t * t - 2 * t * t * t : (at[axis] - from.was[axis]) / long
      const rest = (p.was[axis] - from.was[axis] - share * long) * scale
      return {
        kind: 'sum',
        weight: HARD,
        form: sumOf([
          [1, p[axis]],
          [share - 1, from[axis]],
          [-share, to[axis]],
          [-1, constant(rest)],
        ]),
      }
    })
  }
  // A short arc turns and grows with its chord, and its points with it.
  const w = { x: p.was.x - from.was.x, y: p.was.y - from.was.y },
    long = u.x * u.x + u.y * u.y
  const re = (w.x * u.x + w.y * u.y) / long,
    im = (w.y * u.x - w.x * u.y) / long
  const turned = (axis: 'x' | 'y'): Relation => {
    const other = across(axis),
      sign = axis === 'x' ? -im : im
    return {
      kind: 'sum',
      weight: HARD,
      form: sumOf([
        [1, p[axis]],
        [re - 1, from[axis]],
        [-re, to[axis]],
        [sign, from[other]],
        [-sign, to[other]],
      ]),
    }
  }
  return AXES.map(turned)
}
