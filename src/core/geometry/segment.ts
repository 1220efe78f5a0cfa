import { type Arc, type ArcCentre, arcCentre, arcFromAngles, transformArc } from './arc'
import { type Box, boxAround } from './box'
import { mix, type Point } from './point'
import { apply, type Transform } from './transform'
import { ROUNDING } from './tolerance'

export type Line = { readonly kind: 'line'; readonly from: Point; readonly to: Point }

/** A cubic Bézier curve with two control points. */
export type Cubic = {
  readonly kind: 'cubic'
  readonly from: Point
  readonly c1: Point
  readonly c2: Point
  readonly to: Point
}

/** A stretch of a path, from one node to the next. */
export type { Arc }
export type Segment = Line | Arc | Cubic

export const line = (from: Point, to: Point): Line => ({ kind: 'line', from, to })

/** The segment's point at `t` in 0..1: along a line by length, along an arc by angle, along a cubic by parameter. */
export function pointAt(segment: Segment, t: number): Point {
  switch (segment.kind) {
    case 'line':
      return mix(segment.from, segment.to, t)
    case 'arc': {
      const { centre, rx, ry, start, extent } = arcCentre(segment)
      return arcFromAngles(centre, rx, ry, segment.turn, start + extent * t)
    }
    case 'cubic': {
      const { from, c1, c2, to } = segment
      const s = 1 - t
      const k0 = s * s * s,
        k1 = 3 * s * s * t,
        k2 = 3 * s * t * t,
        k3 = t * t * t
      return { x: k0 * from.x + k1 * c1.x + k2 * c2.x + k3 * to.x, y: k0 * from.y + k1 * c1.y + k2 * c2.y + k3 * to.y }
    }
  }
}

/** The segment's points by `t`, as `pointAt` gives them: for many of one segment, whose centre is computed once. */
export function pointsOf(segment: Segment): (t: number) => Point {
  if (segment.kind !== 'arc') return (t) => pointAt(segment, t)
  const { centre, rx, ry, start, extent } = arcCentre(segment)
  return (t) => arcFromAngles(centre, rx, ry, segment.turn, start + extent * t)
}

export function reverse(segment: Segment): Segment {
  switch (segment.kind) {
    case 'line':
      return line(segment.to, segment.from)
    case 'arc':
      return { ...segment, from: segment.to, to: segment.from, sweep: !segment.sweep }
    case 'cubic':
      return { kind: 'cubic', from: segment.to, c1: segment.c2, c2: segment.c1, to: segment.from }
  }
}

export function transformSegment(segment: Segment, map: Transform): Segment {
  switch (segment.kind) {
    case 'line':
      return line(apply(map, segment.from), apply(map, segment.to))
    case 'arc':
      return transformArc(segment, map)
    case 'cubic':
      return {
        kind: 'cubic',
        from: apply(map, segment.from),
        c1: apply(map, segment.c1),
        c2: apply(map, segment.c2),
        to: apply(map, segment.to),
      }
  }
}

/** The exact upright bounds of a segment, from its ends and the points where it runs level or plumb. */
export function segmentBounds(segment: Segment, round?: ArcCentre): Box {
  const { from, to } = segment
  if (segment.kind === 'line')
    return {
      x: Math.min(from.x, to.x),
      y: Math.min(from.y, to.y),
      w: Math.abs(to.x - from.x),
      h: Math.abs(to.y - from.y),
    }
  if (segment.kind === 'cubic') {
    const { c1, c2 } = segment
    const [x0, x1] = reachOf(from.x, c1.x, c2.x, to.x),
      [y0, y1] = reachOf(from.y, c1.y, c2.y, to.y)
    return { x: x0, y: y0, w: x1 - x0, h: y1 - y0 }
  }
  const { centre, rx, ry, start, extent } = round ?? arcCentre(segment)
  const { turn } = segment
  if (rx === ry) return circleBounds(from, to, centre, rx, start + turn, extent)
  const points: Point[] = [from, to]
  const atX = Math.atan2(-ry * Math.sin(turn), rx * Math.cos(turn))
  const atY = Math.atan2(ry * Math.cos(turn), rx * Math.sin(turn))
  for (const angle of [atX, atX + Math.PI, atY, atY + Math.PI]) {
    if (withinSweep(angle, start, extent)) points.push(arcFromAngles(centre, rx, ry, turn, angle))
  }
  return boxAround(points)!
}

/** The bounds of a circular arc: of its ends, and of the quarters of the circle that it passes. */
function circleBounds(from: Point, to: Point, { x, y }: Point, r: number, start: number, extent: number): Box {
  const passed = (quarter: number) => withinSweep((quarter * Math.PI) / 2, start, extent)
  const x0 = passed(2) ? x - r : Math.min(from.x, to.x),
    x1 = passed(0) ? x + r : Math.max(from.x, to.x)
  const y0 = passed(3) ? y - r : Math.min(from.y, to.y),
    y1 = passed(1) ? y + r : Math.max(from.y, to.y)
  return { x: x0, y: y0, w: x1 - x0, h: y1 - y0 }
}

function withinSweep(angle: number, start: number, extent: number): boolean {
  const full = 2 * Math.PI
  const from = extent < 0 ? start + extent : start
  return (((angle - from) % full) + full) % full <= Math.abs(extent)
}

/** The least and the greatest value of one coordinate of a cubic. */
function reachOf(p0: number, p1: number, p2: number, p3: number): [number, number] {
  let least = Math.min(p0, p3),
    most = Math.max(p0, p3)
  // Where the control points lie between the ends, so does the curve.
  if (p1 >= least && p1 <= most && p2 >= least && p2 <= most) return [least, most]
  for (const t of cubicTurns(p0, p1, p2, p3)) {
    const s = 1 - t,
      value = s * s * s * p0 + 3 * s * s * t * p1 + 3 * s * t * t * p2 + t * t * t * p3
    least = Math.min(least, value)
    most = Math.max(most, value)
  }
  return [least, most]
}

/** Parameters in 0..1 at which one coordinate of a cubic stops growing or shrinking. */
function cubicTurns(p0: number, p1: number, p2: number, p3: number): number[] {
  const a = -p0 + 3 * p1 - 3 * p2 + p3
  const b = 2 * (p0 - 2 * p1 + p2)
  const c = p1 - p0
  const scale = Math.abs(p0) + Math.abs(p1) + Math.abs(p2) + Math.abs(p3)
  const roots: number[] = []
  // The derivative is 3·(a·t² + b·t + c); a vanishing leading term leaves a line.
  if (Math.abs(a) < ROUNDING * scale) {
    if (b !== 0) roots.push(-c / b)
  } else {
    const under = b * b - 4 * a * c
    if (under >= 0) {
      const q = -0.5 * (b + Math.sign(b || 1) * Math.sqrt(under))
      roots.push(q / a)
      if (q !== 0) roots.push(c / q)
    }
  }
  return roots.filter((t) => t > 0 && t < 1)
}
