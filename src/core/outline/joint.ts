import type { Contour } from '../geometry/path'
import { cross, distance, dot, hypot, type Point } from '../geometry/point'
import { line, type Segment } from '../geometry/segment'
import { SAME_POINT, SNAP } from '../geometry/tolerance'

export type CapStyle = 'butt' | 'round' | 'square'
export type JoinStyle = 'miter' | 'round' | 'bevel'

/** Directions this near to doubling back have no outer side for a join. */
const BACK = 1e-6

/** The point at a distance to the right, on screen, of another that is passed in a unit direction. */
export const asideOf = (at: Point, direction: Point, away: number): Point => ({
  x: at.x - away * direction.y,
  y: at.y + away * direction.x,
})

/** The cap of an open end, from the left of the stroke to its right; the stroke arrives in a unit direction. */
export function capRim(at: Point, direction: Point, half: number, style: CapStyle): Segment[] {
  const left = asideOf(at, direction, -half),
    right = asideOf(at, direction, half)
  if (style === 'butt') return [line(left, right)]
  if (style === 'round') return [arc(left, right, half)]
  const out = (p: Point): Point => ({ x: p.x + half * direction.x, y: p.y + half * direction.y })
  return [line(left, out(left)), line(out(left), out(right)), line(out(right), right)]
}

/**
 * Around the outside of a corner, from what arrives there in one unit direction to what leaves in another, turning
 * clockwise on screen.
 */
export function joinRim(
  at: Point,
  arriving: Point,
  leaving: Point,
  half: number,
  style: JoinStyle,
  miterLimit: number,
): Segment[] {
  const from = asideOf(at, arriving, -half),
    to = asideOf(at, leaving, -half)
  if (distance(from, to) <= SNAP / 10) return []
  if (style === 'round') return [arc(from, to, half)]
  const turn = Math.abs(Math.atan2(cross(arriving, leaving), dot(arriving, leaving)))
  const reach = 1 / Math.cos(turn / 2)
  if (style === 'bevel' || turn >= Math.PI - BACK || reach > miterLimit) return [line(from, to)]
  const middle = { x: from.x + to.x - 2 * at.x, y: from.y + to.y - 2 * at.y },
    k = (half * reach) / hypot(middle.x, middle.y)
  const tip = { x: at.x + k * middle.x, y: at.y + k * middle.y }
  return [line(from, tip), line(tip, to)]
}

/**
 * What a place adds where three strokes or more leave it in unit directions, clockwise on screen: between them, the one
 * gap wider than half a turn is where a join is missing.
 */
export function starJoin(
  at: Point,
  directions: readonly Point[],
  half: number,
  style: JoinStyle,
  miterLimit: number,
): Contour[] {
  const around = directions.map((d) => ({ d, angle: Math.atan2(d.y, d.x) })).sort((a, b) => a.angle - b.angle)
  for (let i = 0; i < around.length; i++) {
    const a = around[i]!,
      b = around[(i + 1) % around.length]!
    const gap = i + 1 < around.length ? b.angle - a.angle : b.angle + 2 * Math.PI - a.angle
    if (gap <= Math.PI) continue
    const rim = joinRim(at, { x: -a.d.x, y: -a.d.y }, b.d, half, style, miterLimit)
    if (rim.length === 0) return []
    return [
      {
        segments: [line(at, rim[0]!.from), ...rim, line(rim[rim.length - 1]!.to, at)].filter(
          (s) => distance(s.from, s.to) > SAME_POINT,
        ),
        closed: true,
      },
    ]
  }
  return []
}

/** A stroke without length: a dot where caps are round, a square where they are square (SVG 2 §13.5.3). */
export function speck(at: Point, half: number, style: CapStyle): Contour[] {
  if (style === 'butt') return []
  const right = { x: 1, y: 0 },
    left = { x: -1, y: 0 }
  return [{ segments: [...capRim(at, right, half, style), ...capRim(at, left, half, style)], closed: true }]
}

const arc = (from: Point, to: Point, r: number): Segment => ({
  kind: 'arc',
  from,
  to,
  rx: r,
  ry: r,
  turn: 0,
  large: false,
  sweep: true,
})
