import { cross, dot, type Point, subtract, unit } from '../../geometry/point'
import { tidy } from '../../geometry/tidy'
import type { Scene } from './scene'
import type { Radius } from '../model/style'

/** A place on the square that drags one number of a shape. With `isPlace` it snaps to other places. */
export type Grip = { readonly id: string; readonly at: Point; readonly what: string; readonly isPlace?: true }

/** Result of dragging a grip: the object, and the number in words. */
export type Pulled<T> = { readonly object: T; readonly figure: string }

/** How a grip is pulled: the distance the number is drawn to (null: none), and for one corner alone. */
export type GripPull = { readonly step: number | null; readonly alone: boolean }

/** The directions of the two sides at a corner, and by how much a radius shortens its bisector. */
function cornerAt(corners: readonly Point[], i: number): { at: Point; into: Point; share: number } {
  const n = corners.length,
    at = corners[i]!
  const a = unit(subtract(corners[(i + n - 1) % n]!, at)),
    b = unit(subtract(corners[(i + 1) % n]!, at))
  const half = Math.atan2(Math.abs(cross(a, b)), dot(a, b)) / 2
  // The centre of a rounding lies at r / sin(half) along the bisector.
  return { at, into: unit({ x: a.x + b.x, y: a.y + b.y }), share: 1 / Math.sin(half) }
}

/** Where the radius of a corner is dragged: the centre of its rounding, or `least` from the corner. */
export function cornerGrip(corners: readonly Point[], i: number, radius: number, least: number): Point {
  const { at, into, share } = cornerAt(corners, i)
  const far = Math.max(radius * share, least)
  return { x: at.x + into.x * far, y: at.y + into.y * far }
}

/**
 * The corner radius whose centre is at a point dragged from a corner: a radius of the rules if it is near, else a
 * multiple of the step.
 */
export function pulledRadius(
  corners: readonly Point[],
  i: number,
  to: Point,
  { values }: Pick<Scene, 'values'>,
  { step }: Pick<GripPull, 'step'>,
): Radius {
  const { at, into, share } = cornerAt(corners, i)
  const raw = Math.max(0, dot(subtract(to, at), into) / share)
  const named = values.radii.find(({ value }) => Math.abs(value - raw) <= (step ?? 0) / 2)
  if (named) return named.name
  return step === null ? tidy(raw) : Math.round(raw / step) * step
}

/** A radius in words, with what a name stands for. */
export const radiusFigure = (radius: Radius, scene: Scene): string =>
  `radius ${typeof radius === 'string' ? `${radius} ${scene.radius(radius)}` : radius}`

/** A share between a hundredth and all, in whole hundredths. */
export const hundredths = (share: number): number => Math.max(0.01, Math.min(1, Math.round(share * 100) / 100))
