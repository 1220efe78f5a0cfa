import type { Contour } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { line, type Segment } from '../geometry/segment'
import { SAME_POINT, SNAP } from '../geometry/tolerance'

export type CapStyle = 'butt' | 'round' | 'square'
export type JoinStyle = 'miter' | 'round' | 'bevel'

/** Directions within this of doubling back have no side on which a join would lie. */
const BACK = 1e-6

/** What an open end adds to its ribbon, clockwise on screen. `away` is the unit direction in which the stroke leaves the end. */
export function cap(at: Point, away: Point, half: number, style: CapStyle): Contour[] {
  if (style === 'butt') return []
  const a: Point = { x: at.x - half * away.y, y: at.y + half * away.x }, b: Point = { x: at.x + half * away.y, y: at.y - half * away.x }
  if (style === 'round') return [{ segments: [arc(a, b, half), line(b, a)], closed: true }]
  const out = (p: Point): Point => ({ x: p.x - half * away.x, y: p.y - half * away.y })
  return [{ segments: [line(a, out(a)), line(out(a), out(b)), line(out(b), b), line(b, a)], closed: true }]
}

/**
 * What a node adds to the ribbons that meet there, clockwise on screen: between strokes that leave it in unit directions, the one
 * gap wider than half a turn is where a join is missing. Two strokes or more.
 */
export function join(at: Point, directions: readonly Point[], half: number, style: JoinStyle, miterLimit: number): Contour[] {
  const around = directions.map((d) => ({ d, angle: Math.atan2(d.y, d.x) })).sort((a, b) => a.angle - b.angle)
  for (let i = 0; i < around.length; i++) {
    const a = around[i]!, b = around[(i + 1) % around.length]!
    const gap = i + 1 < around.length ? b.angle - a.angle : b.angle + 2 * Math.PI - a.angle
    if (gap > Math.PI) return wedge(at, a.d, b.d, gap - Math.PI, half, style, miterLimit)
  }
  return []
}

function wedge(at: Point, a: Point, b: Point, turn: number, half: number, style: JoinStyle, miterLimit: number): Contour[] {
  const from: Point = { x: at.x - half * a.y, y: at.y + half * a.x }, to: Point = { x: at.x + half * b.y, y: at.y - half * b.x }
  if (distance(from, to) <= SNAP / 10) return []
  const rim: Segment[] = []
  const reach = 1 / Math.cos(turn / 2)
  if (style === 'round') rim.push(arc(from, to, half))
  else if (style === 'miter' && turn < Math.PI - BACK && reach <= miterLimit) {
    const k = half * reach, middle = { x: from.x + to.x - 2 * at.x, y: from.y + to.y - 2 * at.y }, length = Math.hypot(middle.x, middle.y)
    const tip = { x: at.x + (k * middle.x) / length, y: at.y + (k * middle.y) / length }
    rim.push(line(from, tip), line(tip, to))
  } else rim.push(line(from, to))
  return [{ segments: [line(at, from), ...rim, line(to, at)].filter((s) => distance(s.from, s.to) > SAME_POINT), closed: true }]
}

const arc = (from: Point, to: Point, r: number): Segment => ({ kind: 'arc', from, to, rx: r, ry: r, turn: 0, large: false, sweep: true })
