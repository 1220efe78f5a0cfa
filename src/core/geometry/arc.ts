import { hypot, type Point } from './point'
import { apply, type Transform } from './transform'
import { ROUNDING } from './tolerance'

/** A circular or elliptical arc, as SVG defines it (SVG 2 §9.3.8). Lengths in grid units, `turn` in radians. */
export type Arc = {
  readonly kind: 'arc'
  readonly from: Point
  readonly to: Point
  readonly rx: number
  readonly ry: number
  readonly turn: number
  readonly large: boolean
  /** True when the arc runs towards growing angles (clockwise on screen). */
  readonly sweep: boolean
}

/**
 * An arc by its centre: radii after SVG's correction, angles in radians before `turn`, `extent` negative when
 * anticlockwise.
 */
export type ArcCentre = {
  readonly centre: Point
  readonly rx: number
  readonly ry: number
  readonly start: number
  readonly extent: number
}

/** Tolerance on 1 − (chord / diameter)² within which an arc counts as exactly half a turn. */
const HALF_TURN = 4e-15

/**
 * The arc's centre and angles (SVG 2, implementation notes, B.2.4), radii grown where they cannot span the chord
 * (B.2.5).
 */
export function arcCentre(arc: Arc): ArcCentre {
  const { from, to, turn } = arc
  const cos = turn === 0 ? 1 : Math.cos(turn),
    sin = turn === 0 ? 0 : Math.sin(turn)
  const dx = (from.x - to.x) / 2,
    dy = (from.y - to.y) / 2
  const x = cos * dx + sin * dy,
    y = cos * dy - sin * dx
  let { rx, ry } = arc
  const reach = (x * x) / (rx * rx) + (y * y) / (ry * ry)
  if (reach > 1) {
    rx *= Math.sqrt(reach)
    ry *= Math.sqrt(reach)
  }
  const sign = arc.large === arc.sweep ? -1 : 1
  const beyond = 1 / Math.min(reach, 1) - 1
  // Half a turn: under the root, the rounding of a double would move the centre by 1e-8 of the radius.
  const k = beyond < HALF_TURN ? 0 : sign * Math.sqrt(beyond)
  const cx = (k * rx * y) / ry,
    cy = (-k * ry * x) / rx
  const start = Math.atan2((y - cy) / ry, (x - cx) / rx)
  let extent = Math.atan2((-y - cy) / ry, (-x - cx) / rx) - start
  if (arc.sweep && extent <= 0) extent += 2 * Math.PI
  if (!arc.sweep && extent >= 0) extent -= 2 * Math.PI
  return {
    centre: { x: cos * cx - sin * cy + (from.x + to.x) / 2, y: sin * cx + cos * cy + (from.y + to.y) / 2 },
    rx,
    ry,
    start,
    extent,
  }
}

/**
 * An arc this near to half a turn, in radians, amplifies an error of its ends: its centre moves several times as far.
 */
const NEAR_HALF = 0.3

/** Relative difference of two centres, in shares of the radius, below which they are the same. */
const SAME_CENTRE = 2e-8

/**
 * Adjusts the radii of an arc to keep its centre. Near half a turn a small error of the chord moves the centre by the
 * square root of that error; elsewhere the arc is returned unchanged. The ends must be near the ellipse about `centre`.
 */
export function keepingCentre(arc: Arc, { centre, rx, ry, extent }: ArcCentre): Arc {
  if (Math.abs(Math.abs(extent) - Math.PI) > NEAR_HALF) return arc
  const cos = Math.cos(arc.turn),
    sin = Math.sin(arc.turn)
  // In the axes in which the ellipse is the unit circle.
  const px = (cos * (arc.from.x - centre.x) + sin * (arc.from.y - centre.y)) / rx,
    py = (cos * (arc.from.y - centre.y) - sin * (arc.from.x - centre.x)) / ry
  const qx = (cos * (arc.to.x - centre.x) + sin * (arc.to.y - centre.y)) / rx,
    qy = (cos * (arc.to.y - centre.y) - sin * (arc.to.x - centre.x)) / ry
  const chord = hypot(qx - px, qy - py),
    turning = px * qy - py * qx
  const aside = turning / chord,
    k = hypot(chord / 2, aside)
  const large = Math.abs(aside) > SAME_CENTRE && turning < 0 === arc.sweep
  const asIs = Math.sqrt(Math.max(0, 1 - (chord * chord) / 4))
  return Math.abs(asIs - Math.abs(aside)) < SAME_CENTRE
    ? { ...arc, large }
    : { ...arc, rx: k * arc.rx, ry: k * arc.ry, large }
}

/** The point of an ellipse at an angle measured before its turn. */
export function arcFromAngles(centre: Point, rx: number, ry: number, turn: number, angle: number): Point {
  const x = rx * Math.cos(angle),
    y = ry * Math.sin(angle)
  if (turn === 0) return { x: centre.x + x, y: centre.y + y }
  const cos = Math.cos(turn),
    sin = Math.sin(turn)
  return { x: centre.x + cos * x - sin * y, y: centre.y + sin * x + cos * y }
}

/** The radii and turn (radians) of the image of a unit circle under the linear part of a map: its singular values. */
export function ellipseAxes(a: number, b: number, c: number, d: number): { rx: number; ry: number; turn: number } {
  const e = (a + d) / 2,
    f = (a - d) / 2,
    g = (b + c) / 2,
    h = (b - c) / 2
  const q = hypot(e, h),
    r = hypot(f, g)
  const rx = q + r,
    ry = Math.abs(q - r)
  if (r <= ROUNDING * q) return { rx, ry, turn: 0 }
  return { rx, ry, turn: (Math.atan2(h, e) + Math.atan2(g, f)) / 2 }
}

/** The image of an arc: a circle stays a circle under turns and even scales, and becomes an ellipse otherwise. */
export function transformArc(arc: Arc, map: Transform): Arc {
  const [a, b, c, d] = map
  const cos = Math.cos(arc.turn),
    sin = Math.sin(arc.turn)
  const axes = ellipseAxes(
    (a * cos + c * sin) * arc.rx,
    (b * cos + d * sin) * arc.rx,
    (c * cos - a * sin) * arc.ry,
    (d * cos - b * sin) * arc.ry,
  )
  const mirrored = a * d - b * c < 0
  return { ...arc, ...axes, from: apply(map, arc.from), to: apply(map, arc.to), sweep: arc.sweep !== mirrored }
}
