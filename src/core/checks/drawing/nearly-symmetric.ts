import type { Axis } from '../../rules/fit/mark'
import { flattened } from '../../geometry/flat'
import { type Path, pathBounds } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { pointAt } from '../../geometry/segment'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { said } from '../look/seen'
import { SLIP } from '../look/tolerance'

/** How far apart the places of an outline are that are looked at, and at first, in units of a 24 grid. */
const FINE = 0.4,
  FIRST = 1.2

/** How far the lines that an outline is looked at by may lie from it, in units of a 24 grid. */
const FLAT = 5e-3,
  COARSE = 0.1

/** One place that is off by as much is a slip where most of the outline is its own mirror image, in units of a 24 grid. */
const ONE_PLACE = 0.5

/** The largest share of an outline that is one place. */
const FEW = 0.2

/** Drawings that are their own mirror image but for a slip: left and right, or else top and bottom. */
export const nearlySymmetric: Check = {
  id: 'nearly-symmetric',
  concerns: 'slips',
  word: 'nearly symmetric',
  severity: 'note',
  find(checked) {
    const unit = checked.rules.grid.size / 24
    for (const axis of ['x', 'y'] as const) {
      const found = slipOf(shownInk(checked), axis, checked.rules.grid.size / 2, unit)
      if (!found) continue
      const sides = axis === 'x' ? 'Left and right' : 'Top and bottom'
      return [
        {
          sentence: `${sides} are nearly alike: off by ${said(found.worst)} here.`,
          objects: [],
          spot: { at: found.at },
        },
      ]
    }
    return []
  },
}

/** Where an outline is not quite its own mirror image about a middle, and how far off; null where it is, or is far from it. */
function slipOf(
  ink: Path,
  axis: Axis,
  middle: number,
  unit: number,
): { readonly worst: number; readonly at: Point } | null {
  const box = pathBounds(ink)
  if (!box) return null
  const sum = axis === 'x' ? 2 * box.x + box.w : 2 * box.y + box.h
  if (Math.abs(sum - 2 * middle) > ONE_PLACE * unit || isMirrored(ink, axis, middle, FLAT * unit)) return null
  // Most that are not symmetric are far from it: a coarse look says so.
  if (!mirrored(ink, axis, middle, COARSE * unit, (ONE_PLACE + 2 * COARSE) * unit, FIRST * unit)) return null
  const found = mirrored(ink, axis, middle, FLAT * unit, ONE_PLACE * unit, FINE * unit)
  if (!found?.at || found.worst < 3 * FLAT * unit) return null
  return found.worst <= SLIP * unit || found.share <= FEW ? { worst: found.worst, at: found.at } : null
}

/** Whether each node of an outline, and the middle of each segment, has its mirror image among them: most that are symmetric are so. */
function isMirrored(ink: Path, axis: Axis, middle: number, near: number): boolean {
  const places = ink.flatMap(({ segments }) => segments.flatMap((segment) => [segment.from, pointAt(segment, 0.5)]))
  const cell = (v: number) => Math.round(v / near)
  const taken = new Set(places.map(({ x, y }) => `${cell(x)} ${cell(y)}`))
  const around = [-1, 0, 1]
  return places.every((p) => {
    const q = { ...p, [axis]: 2 * middle - p[axis] }
    return around.some((i) => around.some((k) => taken.has(`${cell(q.x) + i} ${cell(q.y) + k}`)))
  })
}

/**
 * Greatest distance of the first half of an outline (flattened) from the mirrored second half, its place, and the share
 * that is off; null beyond a limit.
 */
function mirrored(
  ink: Path,
  axis: Axis,
  middle: number,
  flat: number,
  limit: number,
  fine: number,
): { readonly worst: number; readonly at: Point | null; readonly share: number } | null {
  const bits = flattened(ink, flat).flatMap(({ segments }) => segments)
  let worst = 0,
    at: Point | null = null,
    found = 0,
    all = 0,
    off = 0
  for (const { from, to } of bits) {
    // The other half is looked at from this one.
    if (Math.max(from[axis], to[axis]) > middle) continue
    const length = Math.hypot(to.x - from.x, to.y - from.y)
    const looks = Math.max(1, Math.ceil(length / fine))
    all += length
    for (let i = 0; i < looks; i++) {
      const p = { x: from.x + ((to.x - from.x) * i) / looks, y: from.y + ((to.y - from.y) * i) / looks }
      const { away, index } = nearestOf(bits, { ...p, [axis]: 2 * middle - p[axis] }, 2 * flat, found)
      found = index
      if (away > limit) return null
      if (away > 3 * flat) off += length / looks
      if (away > worst) [worst, at] = [away, p]
    }
  }
  return { worst, at, share: all === 0 ? 0 : off / all }
}

/**
 * Distance of a point from the nearest of some lines, and its index. Stops at a near enough line, and starts backwards
 * from the last one: the mirrored half runs the other way.
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
