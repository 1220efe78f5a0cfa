import { arcCentre } from './arc'
import { cubicBend, cubicSlope } from './cubic'
import { cross, hypot, type Point, subtract } from './point'
import type { Segment } from './segment'
import { SAME_POINT } from './tolerance'

/** The derivative of a segment by its parameter at `t` in 0..1. */
export function slopeAt(segment: Segment, t: number): Point {
  if (segment.kind === 'line') return subtract(segment.to, segment.from)
  if (segment.kind === 'cubic') return cubicSlope(segment, t)
  const { rx, ry, start, extent } = arcCentre(segment)
  const angle = start + extent * t
  const x = -rx * Math.sin(angle) * extent,
    y = ry * Math.cos(angle) * extent
  const cos = Math.cos(segment.turn),
    sin = Math.sin(segment.turn)
  return { x: cos * x - sin * y, y: sin * x + cos * y }
}

/**
 * The curvature of a segment at `t`: one over the radius of the circle that fits it there, positive where it turns
 * clockwise on screen. Infinite where a cubic stands still.
 */
export function curvatureAt(segment: Segment, t: number): number {
  if (segment.kind === 'line') return 0
  const d = slopeAt(segment, t)
  const speed = hypot(d.x, d.y)
  if (segment.kind === 'arc') {
    const { rx, ry, extent } = arcCentre(segment)
    return (rx * ry * extent * extent * extent) / (speed * speed * speed)
  }
  return cross(d, cubicBend(segment, t)) / (speed * speed * speed)
}

/**
 * Unit tangent of a segment at `t`. At an end of a cubic that coincides with its control point, the limit of the
 * tangent.
 */
export function directionAt(segment: Segment, t: number): Point {
  let d = slopeAt(segment, t)
  let length = hypot(d.x, d.y)
  if (length <= SAME_POINT && segment.kind === 'cubic') {
    const bend = cubicBend(segment, t),
      sign = t > 0.5 ? -1 : 1
    d = { x: bend.x * sign, y: bend.y * sign }
    length = hypot(d.x, d.y)
    if (length <= SAME_POINT) {
      d = subtract(segment.to, segment.from)
      length = hypot(d.x, d.y) || 1
    }
  }
  return { x: d.x / length, y: d.y / length }
}
