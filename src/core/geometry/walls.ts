import { sweptTwice } from './area'
import { flattened } from './flat'
import type { Path } from './path'
import type { Point } from './point'

/**
 * Straight pieces of outlines: both ends and the outward normal, six numbers each, and the number of the contour of
 * each.
 */
type Walls = { readonly count: number; readonly at: Float64Array; readonly contour: Int32Array }

/** A gap between two walls that face each other: a place on each, and whether the gap is enclosed. */
export type Narrow = { readonly from: Point; readonly to: Point; readonly width: number; readonly isCounter: boolean }

/** Cosine between the directions of walls that face each other: within 25° of opposite. */
const FACING = -0.9
/** The largest number of cells along a side of the lookup grid. */
const MOST = 64

/**
 * The narrowest ground between each two outlines of an area, or across one of them, where it is below a width: rays go
 * out from the middle of short bits of each outline. `fine` is how long such a bit may be, in units.
 */
export function narrows(ink: Path, below: number, fine: number): Narrow[] {
  const sizes = ink.map(({ segments }) => segments.reduce((sum, segment) => sum + sweptTwice(segment), 0))
  const outer = Math.sign(sizes.reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0)) || 1
  const walls = wallsOf(ink, outer, fine)
  const firstHit = rays(walls, below)
  const found = new Map<string, Narrow>()
  for (let i = 0; i < walls.count; i++) {
    const hit = firstHit(i)
    if (!hit) continue
    const own = walls.contour[i]!,
      other = walls.contour[hit.wall]!
    const isCounter = own === other && Math.sign(sizes[own]!) !== outer
    const key = own < other ? `${own},${other}` : `${other},${own}`
    const known = found.get(key)
    if (known && known.width <= hit.away) continue
    const from = middleOf(walls, i)
    const to = {
      x: from.x + walls.at[6 * i + 4]! * hit.away,
      y: from.y + walls.at[6 * i + 5]! * hit.away,
    }
    found.set(key, { from, to, width: hit.away, isCounter })
  }
  return [...found.values()]
}

const middleOf = ({ at }: Walls, i: number): Point => ({
  x: (at[6 * i]! + at[6 * i + 2]!) / 2,
  y: (at[6 * i + 1]! + at[6 * i + 3]!) / 2,
})

function wallsOf(ink: Path, outer: number, fine: number): Walls {
  const at: number[] = [],
    contours: number[] = []
  flattened(ink, fine / 20).forEach(({ segments }, contour) => {
    for (const { from, to } of segments) {
      const dx = to.x - from.x,
        dy = to.y - from.y,
        length = Math.hypot(dx, dy)
      if (length === 0) continue
      const bits = Math.max(1, Math.ceil(length / fine))
      for (let i = 0; i < bits; i++) {
        const t = i / bits,
          u = (i + 1) / bits
        at.push(from.x + dx * t, from.y + dy * t, from.x + dx * u, from.y + dy * u)
        at.push((dy / length) * outer, (-dx / length) * outer)
        contours.push(contour)
      }
    }
  })
  return { count: contours.length, at: Float64Array.from(at), contour: Int32Array.from(contours) }
}

/** The squares that a box touches, by columns and rows. */
type Span = (x0: number, y0: number, x1: number, y1: number, visit: (cell: number) => void) => void

/**
 * The first wall hit by a ray from the middle of a wall, where that wall faces the ray and is near enough. Cells of the
 * lookup grid are as wide as a ray is long.
 */
function rays(walls: Walls, length: number): (from: number) => { wall: number; away: number } | null {
  const { at, count } = walls
  let left = Infinity,
    top = Infinity,
    right = -Infinity,
    low = -Infinity
  for (let i = 0; i < count; i++)
    for (const k of [6 * i, 6 * i + 2]) {
      left = Math.min(left, at[k]!)
      right = Math.max(right, at[k]!)
      top = Math.min(top, at[k + 1]!)
      low = Math.max(low, at[k + 1]!)
    }
  // Large drawings get larger cells, so that their number is bounded.
  const side = Math.max(length, (right - left) / MOST, (low - top) / MOST)
  const columns = Math.floor((right - left) / side) + 1,
    rows = Math.floor((low - top) / side) + 1
  const across: Span = (x0, y0, x1, y1, visit) => {
    const last = Math.min(columns - 1, Math.floor((Math.max(x0, x1) - left) / side)),
      lowest = Math.min(rows - 1, Math.floor((Math.max(y0, y1) - top) / side))
    for (let x = Math.max(0, Math.floor((Math.min(x0, x1) - left) / side)); x <= last; x++)
      for (let y = Math.max(0, Math.floor((Math.min(y0, y1) - top) / side)); y <= lowest; y++) visit(y * columns + x)
  }
  const held: number[][] = Array.from({ length: count > 0 ? columns * rows : 0 }, () => [])
  for (let i = 0; i < count; i++)
    across(at[6 * i]!, at[6 * i + 1]!, at[6 * i + 2]!, at[6 * i + 3]!, (cell) => held[cell]!.push(i))
  return (from) => {
    const x = (at[6 * from]! + at[6 * from + 2]!) / 2,
      y = (at[6 * from + 1]! + at[6 * from + 3]!) / 2,
      ox = at[6 * from + 4]!,
      oy = at[6 * from + 5]!
    let wall = -1,
      nearest = length
    across(x, y, x + ox * length, y + oy * length, (cell) => {
      for (const i of held[cell]!) {
        if (i === from) continue
        const k = 6 * i
        const ex = at[k + 2]! - at[k]!,
          ey = at[k + 3]! - at[k + 1]!
        const det = ex * oy - ey * ox
        if (det === 0) continue
        const ax = at[k]! - x,
          ay = at[k + 1]! - y
        const away = (ex * ay - ey * ax) / det
        if (away <= 1e-9 || away >= nearest) continue
        const along = (ox * ay - oy * ax) / det
        if (along < 0 || along > 1) continue
        nearest = away
        wall = i
      }
    })
    if (wall < 0) return null
    return at[6 * wall + 4]! * ox + at[6 * wall + 5]! * oy < FACING ? { wall, away: nearest } : null
  }
}
