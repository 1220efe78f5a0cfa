import type { DrawingObject } from '../drawing/objects/object'
import { moveObject, transformObject } from '../drawing/objects/transform-object'
import type { Rules } from '../rules/rules'
import type { Balance } from './balance'

/** By which figure a drawing stands out of its family. */
export type OutBy = 'weight' | 'size' | 'off'

/** How much larger or smaller a drawing is made at once, at most. */
const MOST = 1.15

/**
 * Brings a drawing nearer to its family. `value` is its balance, `middle` that of the family. Scales it about the
 * centre of the square within the live area, or shifts it to balance its ink. Weights of the rules stay. Null if
 * nothing changes or something is locked.
 */
export function broughtIn(
  objects: readonly DrawingObject[],
  { w, h, centre }: Balance,
  { grid, liveArea }: Rules,
  by: OutBy,
  value: number,
  middle: number,
): DrawingObject[] | null {
  if (objects.some(({ locked }) => locked)) return null
  if (by === 'off') {
    const to = { x: -centre.x, y: -centre.y }
    return Math.hypot(to.x, to.y) < 1e-6 ? null : objects.map((object) => moveObject(object, to))
  }
  const wished = by === 'weight' ? Math.sqrt(middle / value) : middle / value
  const scale = Math.min(Math.max(wished, 1 / MOST), MOST, liveArea / Math.max(w, h))
  if (!Number.isFinite(scale) || Math.abs(scale - 1) < 1e-3) return null
  const rest = (grid.size / 2) * (1 - scale)
  return objects.map((object) => transformObject(object, [scale, 0, 0, scale, rest, rest]))
}
