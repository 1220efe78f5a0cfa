import { sweptTwice } from './area'
import { flattened } from './flat'
import type { Path } from './path'
import type { Point } from './point'

/** A straight bit of an outline with the direction away from the ink; which contour it is of. */
type Wall = { readonly a: Point; readonly b: Point; readonly out: Point; readonly contour: number }

/** Where two walls face each other across ground: the places on both, and whether the ground is closed in. */
export type Narrow = { readonly from: Point; readonly to: Point; readonly width: number; readonly isCounter: boolean }

/** How near the directions of walls must come to opposite ones to face each other, as a cosine: within 25°. */
const FACING = -0.9

/**
 * The narrowest ground between each two outlines of an area, or across one of them, where it is below a width: rays go
 * out from the middle of short bits of each outline. `fine` is how long such a bit may be, in units.
 */
export function narrows(ink: Path, below: number, fine: number): Narrow[] {
  const sizes = ink.map(({ segments }) => segments.reduce((sum, segment) => sum + sweptTwice(segment), 0))
  const outer = Math.sign(sizes.reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0)) || 1
  const walls = wallsOf(ink, outer, fine)
  const near = cells(walls, below)
  const found = new Map<string, Narrow>()
  for (const wall of walls) {
    const from = { x: (wall.a.x + wall.b.x) / 2, y: (wall.a.y + wall.b.y) / 2 }
    const hit = firstHit(from, wall, near(from, wall.out), below)
    if (!hit) continue
    const isCounter = wall.contour === hit.wall.contour && Math.sign(sizes[wall.contour]!) !== outer
    const key = [wall.contour, hit.wall.contour].sort((a, b) => a - b).join()
    const known = found.get(key)
    if (known && known.width <= hit.away) continue
    const to = { x: from.x + wall.out.x * hit.away, y: from.y + wall.out.y * hit.away }
    found.set(key, { from, to, width: hit.away, isCounter })
  }
  return [...found.values()]
}

function wallsOf(ink: Path, outer: number, fine: number): Wall[] {
  return flattened(ink, fine / 20).flatMap(({ segments }, contour) =>
    segments.flatMap(({ from, to }) => {
      const length = Math.hypot(to.x - from.x, to.y - from.y)
      if (length === 0) return []
      const out = { x: ((to.y - from.y) / length) * outer, y: (-(to.x - from.x) / length) * outer }
      const bits = Math.max(1, Math.ceil(length / fine))
      return Array.from({ length: bits }, (_, i): Wall => {
        const at = (t: number) => ({ x: from.x + (to.x - from.x) * t, y: from.y + (to.y - from.y) * t })
        return { a: at(i / bits), b: at((i + 1) / bits), out, contour }
      })
    }),
  )
}

/** The walls near a ray of a length, by squares as wide as that. */
function cells(walls: readonly Wall[], width: number): (from: Point, out: Point) => Iterable<Wall> {
  const at = (value: number) => Math.floor(value / width),
    key = (x: number, y: number) => x * 65_536 + y
  const held = new Map<number, Wall[]>()
  for (const wall of walls) {
    const { a, b } = wall
    for (let x = at(Math.min(a.x, b.x)); x <= at(Math.max(a.x, b.x)); x++)
      for (let y = at(Math.min(a.y, b.y)); y <= at(Math.max(a.y, b.y)); y++) {
        const known = held.get(key(x, y))
        if (known) known.push(wall)
        else held.set(key(x, y), [wall])
      }
  }
  return function* ({ x, y }, out) {
    const to = { x: x + out.x * width, y: y + out.y * width }
    for (let i = at(Math.min(x, to.x)); i <= at(Math.max(x, to.x)); i++)
      for (let k = at(Math.min(y, to.y)); k <= at(Math.max(y, to.y)); k++) yield* held.get(key(i, k)) ?? []
  }
}

/** The first facing wall that a ray meets, if it is near enough. */
function firstHit({ x, y }: Point, { out, a: own }: Wall, walls: Iterable<Wall>, below: number) {
  let best: { wall: Wall; away: number } | null = null
  let nearest = below
  for (const wall of walls) {
    const { a, b } = wall
    if (a === own) continue
    const ex = b.x - a.x,
      ey = b.y - a.y
    const det = ex * out.y - ey * out.x
    if (det === 0) continue
    const ax = a.x - x,
      ay = a.y - y
    const away = (ex * ay - ey * ax) / det,
      along = (out.x * ay - out.y * ax) / det
    if (away <= 1e-9 || away >= nearest || along < 0 || along > 1) continue
    nearest = away
    best = wall.out.x * out.x + wall.out.y * out.y < FACING ? { wall, away } : null
  }
  return best
}
