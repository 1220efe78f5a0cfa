import type { Shape } from '../drawing/scene/shape'
import { flattened } from '../geometry/flat'
import { convexHull } from '../geometry/hull'
import type { Point } from '../geometry/point'
import { type Attributes, attributes } from '../formats/markup'
import type { Ground } from './picture'
import { paintAttributes } from './svg-paint'

/** The clearance below which hulls count as touching, and the tolerance of the outlines they are made from. */
const CLEAR = 0.02,
  FLAT = 5e-3

const hullOf = ({ path }: Shape): readonly Point[] =>
  convexHull(flattened(path, FLAT).flatMap(({ segments }) => segments.flatMap(({ from, to }) => [from, to])))

/** Whether a line lies between two convex hulls, along one of their sides, so far from both together. */
function apart(a: readonly Point[], b: readonly Point[], clear: number): boolean {
  const isBetween = (nx: number, ny: number) => {
    const length = Math.hypot(nx, ny)
    const along = (points: readonly Point[]) => points.map(({ x, y }) => (x * nx + y * ny) / length)
    const [one, other] = [along(a), along(b)]
    return (
      length > 0 && (Math.max(...one) + clear <= Math.min(...other) || Math.max(...other) + clear <= Math.min(...one))
    )
  }
  if (isBetween(1, 0) || isBetween(0, 1)) return true
  return [a, b].some((hull) =>
    hull.some((p, i) => {
      const q = hull[(i + 1) % hull.length]!
      return isBetween(q.y - p.y, p.x - q.x)
    }),
  )
}

/** Whether a shape is one ring of two arcs, which is shorter by itself. */
const isRound = ({ path: [contour, ...more] }: Shape): boolean =>
  more.length === 0 && contour?.segments.length === 2 && contour.segments.every(({ kind }) => kind === 'arc')

/**
 * How a shape may be joined with the next of the same paint: by its stroke alone, its area, or both in one opaque
 * colour.
 */
function kindOf({ fill, stroke, effect }: Shape, paint: Attributes): 'stroke' | 'area' | 'both' | null {
  if (effect) return null
  if (!stroke) return fill ? 'area' : null
  if (stroke.paint.opacity < 1) return null
  return !fill
    ? 'stroke'
    : paint.fill === paint.stroke && fill.opacity === 1 && isFlatColour(paint.fill)
      ? 'both'
      : null
}

const isFlatColour = (written: string | undefined) => written !== undefined && !written.startsWith('url(')

/**
 * Joins consecutive shapes of one paint: disjoint areas, and opaque strokes, which may overlap. The picture is
 * unchanged, except for pixels partly covered by two edges.
 */
export function joinedShapes(shapes: readonly Shape[], ground: Ground): Shape[] {
  const out: { shape: Shape; paint: string; hulls: (readonly Point[])[] }[] = []
  for (const shape of shapes) {
    const last = out.at(-1),
      written = paintAttributes(shape, ground),
      paint = attributes(written),
      kind = isRound(shape) ? null : kindOf(shape, written)
    const hull = kind === 'area' || kind === 'both' ? hullOf(shape) : [],
      clear = kind === 'both' ? -CLEAR : CLEAR
    if (
      last &&
      kind &&
      paint === last.paint &&
      last.hulls.every((one) => kind === 'stroke' || apart(one, hull, clear))
    ) {
      last.shape = { ...last.shape, path: [...last.shape.path, ...shape.path] }
      last.hulls.push(hull)
    } else out.push({ shape, paint: kind ? paint : '', hulls: [hull] })
  }
  return out.map(({ shape }) => shape)
}
