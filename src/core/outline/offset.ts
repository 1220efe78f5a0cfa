import type { Path } from '../geometry/path'
import { combine, type FillRule } from '../planar/boolean'
import type { JoinStyle } from './joint'
import { strokePieces } from './stroking'

/** How corners of an offset are joined. */
export type OffsetJoin = { readonly join: JoinStyle; readonly miterLimit: number }

/**
 * A filled path grown by a distance in grid units (outset), or shrunk by it where it is negative (inset). The path with its stroke of twice the
 * distance added or cut away: so nothing is left of what closes up, and what falls apart is several contours.
 */
export function offset(path: Path, away: number, { join, miterLimit }: OffsetJoin, rule: FillRule = 'nonzero'): Path {
  const ground = combine([{ path, role: 'adds' }], rule)
  if (away === 0 || ground.length === 0) return ground
  const rim = strokePieces(ground, Math.abs(away), { width: 2 * Math.abs(away), cap: 'butt', join, miterLimit })
  return combine([{ path: ground, role: 'adds' }, { path: rim, role: away > 0 ? 'adds' : 'cuts' }], 'nonzero')
}
