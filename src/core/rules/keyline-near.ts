import type { Point } from '../geometry/point'
import type { Rules } from './rules'

/**
 * The keyline whose outline passes nearest to a place, with its size in grid units; null where none passes within
 * `reach`.
 */
export function keylineNear(
  { grid, keylines }: Pick<Rules, 'grid' | 'keylines'>,
  p: Point,
  reach: number,
): Rules['keylines'][number] | null {
  const x = Math.abs(p.x - grid.size / 2),
    y = Math.abs(p.y - grid.size / 2)
  let nearest: Rules['keylines'][number] | null = null,
    least = reach
  for (const keyline of keylines) {
    const a = keyline.w / 2,
      b = keyline.h / 2
    const away = keyline.shape === 'ellipse' ? fromEllipse(x, y, a, b) : fromBox(x, y, a, b)
    if (away > least) continue
    least = away
    nearest = keyline
  }
  return nearest
}

/** About how far a place is from an ellipse about the origin: exact of circles, and near any. */
function fromEllipse(x: number, y: number, a: number, b: number): number {
  const k = Math.hypot(x / a, y / b)
  return k === 0 ? Math.min(a, b) : (Math.abs(k - 1) * Math.hypot(x, y)) / k
}

/** How far a place in the first quadrant is from the outline of a box about the origin. */
function fromBox(x: number, y: number, a: number, b: number): number {
  return x <= a && y <= b ? Math.min(a - x, b - y) : Math.hypot(Math.max(0, x - a), Math.max(0, y - b))
}
