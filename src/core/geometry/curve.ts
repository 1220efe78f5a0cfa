import { type ArcCentre, arcCentre } from './arc'
import type { Box } from './box'
import { parameterOnCubic } from './cubic'
import { distance, hypot, type Point } from './point'
import { rootsOnUnit } from './roots'
import { type Arc, type Cubic, type Line, pointAt, type Segment, segmentBounds } from './segment'
import { LAST_BIT } from './tolerance'

/** A segment together with its bounds, and with its centre form where it is an arc. */
export type Curve =
  | { readonly segment: Line; readonly box: Box; readonly round: null }
  | { readonly segment: Cubic; readonly box: Box; readonly round: null }
  | { readonly segment: Arc; readonly box: Box; readonly round: Round }

/** An arc's ellipse as the image of the unit circle: `u` and `v` are its half axes. */
export type Round = ArcCentre & { readonly u: Point; readonly v: Point }

export function curveOf(segment: Segment): Curve {
  if (segment.kind !== 'arc') return { segment, box: segmentBounds(segment), round: null } as Curve
  const round = roundOf(segment)
  return { segment, box: segmentBounds(segment, round), round }
}

function roundOf(arc: Arc): Round {
  const { centre, rx, ry, start, extent } = arcCentre(arc)
  const cos = arc.turn === 0 ? 1 : Math.cos(arc.turn),
    sin = arc.turn === 0 ? 0 : Math.sin(arc.turn)
  return { centre, rx, ry, start, extent, u: { x: rx * cos, y: rx * sin }, v: { x: -ry * sin, y: ry * cos } }
}

/** A point in the axes in which the arc's ellipse is the unit circle. */
export function toUnitCircle({ centre, rx, ry, u, v }: Round, p: Point): Point {
  const dx = p.x - centre.x,
    dy = p.y - centre.y
  return { x: (dx * u.x + dy * u.y) / (rx * rx), y: (dx * v.x + dy * v.y) / (ry * ry) }
}

/** The parameter of an angle on an arc, in turns of its extent: 0..1 on the arc, more beyond it. */
export function arcParameter({ start, extent }: Round, angle: number): number {
  const full = 2 * Math.PI
  const along = extent > 0 ? angle - start : start - angle
  return (((along % full) + full) % full) / Math.abs(extent)
}

/** The coefficients of one coordinate of a cubic, from the constant upwards. */
export const powers = (p0: number, p1: number, p2: number, p3: number): [number, number, number, number] => [
  p0,
  3 * (p1 - p0),
  3 * (p0 - 2 * p1 + p2),
  p3 - p0 + 3 * (p1 - p2),
]

/** The product of two polynomials given by their coefficients. */
export function product(a: readonly number[], b: readonly number[]): number[] {
  const c = new Array<number>(a.length + b.length - 1).fill(0)
  for (let i = 0; i < a.length; i++) for (let j = 0; j < b.length; j++) c[i + j]! += a[i]! * b[j]!
  return c
}

/** The parameter of the nearest place of a curve to a point. */
export function nearestParameter(curve: Curve, p: Point): number {
  const { segment } = curve
  if (segment.kind === 'line') {
    const dx = segment.to.x - segment.from.x,
      dy = segment.to.y - segment.from.y
    const square = dx * dx + dy * dy
    // A line of no length, as a dot has it, is nearest at its one place.
    if (square === 0) return 0
    return Math.max(0, Math.min(1, ((p.x - segment.from.x) * dx + (p.y - segment.from.y) * dy) / square))
  }
  if (curve.round) return nearestOnArc(curve.segment as Arc, curve.round, p)
  const { from, c1, c2, to } = segment as Cubic
  const x = powers(from.x - p.x, c1.x - p.x, c2.x - p.x, to.x - p.x),
    y = powers(from.y - p.y, c1.y - p.y, c2.y - p.y, to.y - p.y)
  const slope = ([, b, c, d]: readonly number[]) => [b!, 2 * c!, 3 * d!]
  const inY = product(y, slope(y))
  const across = product(x, slope(x)).map((value, i) => value + inY[i]!)
  let best = 0,
    least = Infinity
  for (const t of [0, 1, ...rootsOnUnit(across, 0).map((root) => root.t)]) {
    const away = distance(pointAt(segment, t), p)
    if (away < least) {
      least = away
      best = t
    }
  }
  return best
}

/**
 * The parameter of an arc at the angle of a point on its ellipse; above 1 where the point lies beyond the arc's ends.
 */
function angleParameter(round: Round, p: Point): number {
  const q = toUnitCircle(round, p)
  return arcParameter(round, Math.atan2(q.y, q.x))
}

/**
 * The nearest parameter of an arc. A circle gives it by angle; an ellipse by Newton's method, started from every eighth
 * of a turn and from both ends.
 */
function nearestOnArc(arc: Arc, round: Round, p: Point): number {
  const q = toUnitCircle(round, p)
  if (round.rx === round.ry) {
    const t = arcParameter(round, Math.atan2(q.y, q.x))
    if (t <= 1) return t
    return distance(p, arc.from) <= distance(p, arc.to) ? 0 : 1
  }
  const { rx, ry } = round
  const px = q.x * rx,
    py = q.y * ry
  let best = distance(p, arc.from) <= distance(p, arc.to) ? 0 : 1
  let least = distance(p, best === 0 ? arc.from : arc.to)
  for (let i = 0; i < 8; i++) {
    let angle = (i * Math.PI) / 4
    for (let k = 0; k < 24; k++) {
      const cos = Math.cos(angle),
        sin = Math.sin(angle)
      const ex = rx * cos - px,
        ey = ry * sin - py
      const slope = ey * ry * cos - ex * rx * sin
      const bend = rx * rx * sin * sin + ry * ry * cos * cos - ex * rx * cos - ey * ry * sin
      const step = bend > 0 ? slope / bend : 0.1 * Math.sign(slope)
      angle -= Math.max(-0.4, Math.min(0.4, step))
      if (Math.abs(step) < LAST_BIT) break
    }
    const t = arcParameter(round, angle)
    const away = hypot(rx * Math.cos(angle) - px, ry * Math.sin(angle) - py)
    if (t <= 1 && away < least) {
      least = away
      best = t
    }
  }
  return best
}

/** The parameter at which a curve passes through a point, within a tolerance; null when it does not. */
export function parameterAt(curve: Curve, p: Point, tolerance: number): number | null {
  const { segment, box } = curve
  if (
    p.x < box.x - tolerance ||
    p.y < box.y - tolerance ||
    p.x > box.x + box.w + tolerance ||
    p.y > box.y + box.h + tolerance
  )
    return null
  if (distance(p, segment.from) <= tolerance) return 0
  if (distance(p, segment.to) <= tolerance) return 1
  if (segment.kind === 'cubic') return parameterOnCubic(segment, p, tolerance)
  const t = curve.round ? angleParameter(curve.round, p) : nearestParameter(curve, p)
  return t <= 1 && distance(pointAt(segment, t), p) <= tolerance ? t : null
}
