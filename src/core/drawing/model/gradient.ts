import type { Box } from '../../geometry/box'
import { add, cross, distance, dot, type Point, subtract } from '../../geometry/point'
import { tidy } from '../../geometry/tidy'
import { apply, type Transform } from '../../geometry/transform'
import type { Gradient, Linear, Paint, Radial, Stop } from './paint'
import { isGradient } from './paint'
import { SAME_POINT } from '../../geometry/tolerance'

const tidied = ({ x, y }: Point): Point => ({ x: tidy(x), y: tidy(y) })

/** A gradient under an affine map, exact: lines of one colour stay lines, ellipses stay ellipses. */
export function transformGradient(gradient: Gradient, map: Transform): Gradient {
  const moved = (p: Point): Point => tidied(apply(map, p))
  if (gradient.kind === 'radial') {
    const { centre, to, across, focus } = gradient
    const [a, b, c, d] = map
    const even =
      Math.abs(a * a + b * b - c * c - d * d) < SAME_POINT * (a * a + b * b) &&
      Math.abs(a * c + b * d) < SAME_POINT * (a * a + b * b)
    return {
      ...gradient,
      centre: moved(centre),
      to: moved(to),
      ...((across || !even) && { across: moved(across ?? acrossOf(gradient)) }),
      ...(focus && { focus: moved(focus) }),
    }
  }
  // Lines of one colour go where the map takes them; the way is at right angles to them again.
  const { from, to } = gradient
  const start = apply(map, from),
    end = apply(map, to)
  const way = subtract(to, from)
  const line = subtract(apply(map, add(from, { x: -way.y, y: way.x })), start)
  const along = subtract(end, start)
  const normal = { x: line.y, y: -line.x }
  const k = dot(along, normal) / (dot(normal, normal) || 1)
  return { ...gradient, from: tidied(start), to: tidied(add(start, { x: k * normal.x, y: k * normal.y })) }
}

export const transformPaint = (paint: Paint, map: Transform): Paint =>
  isGradient(paint) ? transformGradient(paint, map) : paint

/** Where the second half axis of a radial gradient ends. */
export const acrossOf = ({ centre, to, across }: Radial): Point =>
  across ?? { x: centre.x - (to.y - centre.y), y: centre.y + (to.x - centre.x) }

/** The share of a gradient's way at a point, unbounded; of radial ones from the centre, the focus left aside. */
export function shareAt(gradient: Gradient, p: Point): number {
  if (gradient.kind === 'linear') {
    const way = subtract(gradient.to, gradient.from)
    return dot(subtract(p, gradient.from), way) / (dot(way, way) || 1)
  }
  const u = subtract(gradient.to, gradient.centre),
    v = subtract(acrossOf(gradient), gradient.centre),
    q = subtract(p, gradient.centre)
  const det = cross(u, v) || 1
  return Math.hypot(cross(q, v) / det, cross(u, q) / det)
}

/** The two ends of a gradient's axis. */
export const wayOf = (gradient: Gradient): { from: Point; to: Point } =>
  gradient.kind === 'linear' ? gradient : { from: gradient.centre, to: gradient.to }

/** The place of a stop on the gradient's way. */
export function stopPlace(gradient: Gradient, at: number): Point {
  const { from, to } = wayOf(gradient)
  return { x: from.x + (to.x - from.x) * at, y: from.y + (to.y - from.y) * at }
}

/** A gradient over a box: from its left to its right, or from its middle to its corners' distance across. */
export function freshGradient(kind: Gradient['kind'], box: Box, stops: Stop[]): Gradient {
  const middle = { x: box.x + box.w / 2, y: box.y + box.h / 2 }
  if (kind === 'linear')
    return { kind, from: { x: box.x, y: middle.y }, to: { x: box.x + (box.w || 1), y: middle.y }, stops }
  return { kind, centre: middle, to: { x: middle.x + Math.max(box.w, box.h, 1) / 2, y: middle.y }, stops }
}

/** The other kind of gradient with the same way and stops. */
export function otherKind(gradient: Gradient): Gradient {
  const { stops } = gradient
  if (gradient.kind === 'linear')
    return {
      kind: 'radial',
      centre: gradient.from,
      to: distance(gradient.from, gradient.to) > 0 ? gradient.to : { x: gradient.from.x + 1, y: gradient.from.y },
      stops,
    }
  return { kind: 'linear', from: gradient.centre, to: gradient.to, stops } satisfies Linear
}

/** Stops with one more at a share of the way, in the colour of the one before it, and which one it is. */
export function withStop(stops: readonly Stop[], at: number): { stops: Stop[]; index: number } {
  const after = stops.findIndex((one) => one.at > at),
    index = after === -1 ? stops.length : after
  return { stops: stops.toSpliced(index, 0, { ...stops[Math.max(0, index - 1)]!, at }), index }
}

/** Stops in the other direction. */
export const reversed = (stops: readonly Stop[]): Stop[] =>
  stops.toReversed().map((stop) => ({ ...stop, at: tidy(1 - stop.at) }))
