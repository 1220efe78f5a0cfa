import { flattened } from '../../geometry/flat'
import { type Path, pathBounds } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { said } from '../look/seen'
import { SLIP } from '../look/tolerance'

/** How far apart the places of an outline are that are looked at, in units of a 24 grid. */
const FINE = 0.4

/** How far the lines that an outline is looked at by may lie from it, in units of a 24 grid. */
const FLAT = 5e-3,
  COARSE = 0.1

/** Drawings that are the same left and right but for a slip. */
export const nearlySymmetric: Check = {
  id: 'nearly-symmetric',
  concerns: 'slips',
  word: 'nearly symmetric',
  severity: 'note',
  find(checked) {
    const { rules } = checked,
      unit = rules.grid.size / 24,
      middle = rules.grid.size / 2
    const box = pathBounds(shownInk(checked))
    if (!box || Math.abs(2 * (box.x - middle) + box.w) > 2 * SLIP * unit) return []
    // Most that are not symmetric are far from it: a coarse look says so.
    if (!mirrored(shownInk(checked), middle, COARSE * unit, (SLIP + 2 * COARSE) * unit, FINE * unit)) return []
    const found = mirrored(shownInk(checked), middle, FLAT * unit, SLIP * unit, FINE * unit)
    if (!found) return []
    const { worst, at } = found
    if (!at || worst < 3 * FLAT * unit) return []
    return [
      {
        sentence: `Left and right are nearly alike: off by ${said(worst)} here.`,
        objects: [],
        spot: { at },
      },
    ]
  },
}

/**
 * How far the left half of an outline, seen in lines so `flat`, is at most from the mirrored right one, and where; null
 * where it is further than a limit.
 */
function mirrored(
  ink: Path,
  middle: number,
  flat: number,
  limit: number,
  fine: number,
): { readonly worst: number; readonly at: Point | null } | null {
  const bits = flattened(ink, flat).flatMap(({ segments }) => segments)
  let worst = 0,
    at: Point | null = null,
    found = 0
  for (const { from, to } of bits) {
    // The other half is looked at from this one.
    if (Math.max(from.x, to.x) > middle) continue
    const looks = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / fine))
    for (let i = 0; i < looks; i++) {
      const p = { x: from.x + ((to.x - from.x) * i) / looks, y: from.y + ((to.y - from.y) * i) / looks }
      const { away, index } = nearestOf(bits, { x: 2 * middle - p.x, y: p.y }, 2 * flat, found)
      found = index
      if (away > limit) return null
      if (away > worst) [worst, at] = [away, p]
    }
  }
  return { worst, at }
}

/**
 * How far a place is from the nearest of some lines, and which that is; what is near enough ends the search, which goes
 * back from where the last one ended: the other half of what is symmetric runs the other way.
 */
function nearestOf(
  bits: readonly { readonly from: Point; readonly to: Point }[],
  { x, y }: Point,
  enough: number,
  begin: number,
): { readonly away: number; readonly index: number } {
  let best = Infinity,
    index = begin
  for (let k = 0; k < bits.length; k++) {
    const i = (begin - k + bits.length) % bits.length
    const { from, to } = bits[i]!
    const dx = to.x - from.x,
      dy = to.y - from.y,
      length = dx * dx + dy * dy
    const t = length === 0 ? 0 : Math.min(1, Math.max(0, ((x - from.x) * dx + (y - from.y) * dy) / length))
    const ex = from.x + t * dx - x,
      ey = from.y + t * dy - y
    const away = ex * ex + ey * ey
    if (away < best) {
      best = away
      index = i
    }
    if (best < enough * enough) break
  }
  return { away: Math.sqrt(best), index }
}
