import type { Path } from '../geometry/path'
import { combine, type FillRule } from '../planar/boolean'
import type { JoinStyle } from './joint'
import { combineStroke } from './stroking'

/** How corners of an offset are joined. */
export type OffsetJoin = { readonly join: JoinStyle; readonly miterLimit: number }

/**
 * A filled path grown by a distance in grid units (outset), or shrunk by it where it is negative (inset). The path with
 * its stroke of twice the distance added or cut away: so nothing is left of what closes up, and what falls apart is
 * several contours.
 */
export function offset(path: Path, away: number, { join, miterLimit }: OffsetJoin, rule: FillRule = 'nonzero'): Path {
  const ground = combine([{ path, role: 'adds' }], rule)
  if (away === 0 || ground.length === 0) return ground
  const half = Math.abs(away)
  return combineStroke({
    path: ground,
    half,
    stroke: { width: 2 * half, cap: 'butt', join, miterLimit },
    role: away > 0 ? 'adds' : 'cuts',
    before: [{ path: ground, role: 'adds' }],
  })
}
