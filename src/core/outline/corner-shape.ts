import { add, cross, distance, type Point, scale, subtract } from '../geometry/point'
import { line, type Segment } from '../geometry/segment'
import { fitCubic } from './fit-cubic'

/**
 * Shape of a finished corner between the ends of its tangent arc: the arc (round), a straight line (bevel), a concave
 * arc (scoop), a step inwards (notch) or a quarter of a superellipse of exponent 4 (squircle).
 */
export type CornerStyle = 'round' | 'bevel' | 'scoop' | 'notch' | 'squircle'

/**
 * The gap of a corner: where the first side ends and the second begins, the path's unit directions there, which way it
 * turns on screen, and the node that was there.
 */
export type CornerGap = {
  readonly node: Point
  readonly from: Point
  readonly leaving: Point
  readonly to: Point
  readonly arriving: Point
  readonly clockwise: boolean
}

/** The segments that close a corner's gap, given the radius of the arc that touches both sides. */
export function cornerShape(
  { node, from, leaving, to, arriving, clockwise: sweep }: CornerGap,
  radius: number,
  style: CornerStyle,
): Segment[] {
  const circle = (r: number, clockwise: boolean): Segment => ({
    kind: 'arc',
    from,
    to,
    rx: r,
    ry: r,
    turn: 0,
    large: false,
    sweep: clockwise,
  })
  const tip = meeting(from, leaving, to, arriving, node)
  switch (style) {
    case 'round':
      return [circle(radius, sweep)]
    case 'bevel':
      return [line(from, to)]
    case 'scoop':
      return [circle(Math.max(distance(from, to) / 2, (distance(tip, from) + distance(tip, to)) / 2), !sweep)]
    case 'notch': {
      const inner = subtract(add(from, to), tip)
      return [line(from, inner), line(inner, to)]
    }
    case 'squircle': {
      const inner = subtract(add(from, to), tip),
        a = subtract(from, inner),
        b = subtract(to, inner)
      const place = ({ x, y }: Point): Point => ({ x: inner.x + a.x * x + b.x * y, y: inner.y + a.y * x + b.y * y })
      const { c1, c2, to: middle } = squircle()
      const turned = ({ x, y }: Point): Point => place({ x: y, y: x }),
        centre = place(middle)
      return [
        { kind: 'cubic', from, c1: place(c1), c2: place(c2), to: centre },
        { kind: 'cubic', from: centre, c1: turned(c2), c2: turned(c1), to },
      ]
    }
  }
}

/**
 * Where the directions of both sides meet; the node where that is farther off than the node is, as on sides that curl
 * around the arc.
 */
function meeting(p: Point, d: Point, q: Point, e: Point, node: Point): Point {
  const along = cross(subtract(q, p), e) / cross(d, e)
  return along > 0 && along <= distance(p, node) + distance(q, node) ? add(p, scale(d, along)) : node
}

let eighth: { c1: Point; c2: Point; to: Point } | null = null

/** The cubic along x⁴ + y⁴ = 1 from (1, 0) up to where x = y. */
function squircle(): { c1: Point; c2: Point; to: Point } {
  if (eighth) return eighth
  const points = Array.from({ length: 25 }, (_, i): Point => {
    const angle = (i * Math.PI) / 96,
      k = 1 / (Math.cos(angle) ** 4 + Math.sin(angle) ** 4) ** 0.25
    return { x: k * Math.cos(angle), y: k * Math.sin(angle) }
  })
  const h = Math.SQRT1_2
  return (eighth = fitCubic(points, { x: 0, y: 1 }, { x: -h, y: h }).cubic)
}
