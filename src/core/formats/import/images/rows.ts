import type { DrawingObject } from '../../../drawing/objects/object'
import { transformPath } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { translation } from '../../../geometry/transform'
import { isSameOutline } from '../../../outline/same-outline'
import { shortest } from '../live'
import { inPlaceOf, mayBeOne } from './painting-order'
import { groupsOf, type Piece } from './piece'

/** The fewest equal objects that are a row. */
const FEW = 3

/** Equal objects in a row or in rows and columns, evenly spaced, as a repeat of the first of them. */
export function rowsBack(objects: readonly DrawingObject[], within: number): readonly DrawingObject[] {
  let next = objects
  for (const group of groupsOf(objects, within, FEW)) {
    const lattice = latticeOf(group, within)
    const gone = new Set(group.map(({ object }) => object))
    if (!lattice || !mayBeOne(next, gone)) continue
    const { first, ...course } = lattice
    const repeat = {
      kind: 'repeat',
      id: `${first.object.id}-repeated`,
      name: `${first.object.name} repeated`,
      from: { x: tidy(first.centre.x), y: tidy(first.centre.y) },
      course: { by: 'lattice', ...course },
      members: [first.object],
    } as unknown as DrawingObject
    next = inPlaceOf(next, gone, repeat)
  }
  return next
}

type Lattice = {
  readonly first: Piece
  readonly columns: number
  readonly rows: number
  readonly across: Point
  readonly down: Point
}

/** How equal objects lie in level rows and plumb columns; null where they do not, or some are missing. */
function latticeOf(group: readonly Piece[], within: number): Lattice | null {
  const columns = evenly(group, 'x', within),
    rows = evenly(group, 'y', within)
  if (!columns || !rows || columns.count * rows.count !== group.length) return null
  const first = group.find(
    ({ centre }) => Math.abs(centre.x - columns.from) <= within && Math.abs(centre.y - rows.from) <= within,
  )
  if (!first) return null
  const places = Array.from({ length: group.length }, (_, i) =>
    translation((i % columns.count) * columns.step, Math.floor(i / columns.count) * rows.step),
  )
  const left = new Set(group)
  for (const place of places) {
    const there = transformPath(first.edge, place)
    const one = [...left].find(({ edge }) => isSameOutline(there, edge, within))
    if (!one) return null
    left.delete(one)
  }
  return {
    first,
    columns: columns.count,
    rows: rows.count,
    // What there is one of still has a distance, for more of them.
    across: { x: columns.step || rows.step, y: 0 },
    down: { x: 0, y: rows.step || columns.step },
  }
}

/** The places of objects along an axis where they are evenly spaced: the first, how far apart, and how many. */
function evenly(
  group: readonly Piece[],
  axis: 'x' | 'y',
  within: number,
): { readonly from: number; readonly step: number; readonly count: number } | null {
  const places: number[] = []
  for (const { centre } of group.toSorted((a, b) => a.centre[axis] - b.centre[axis]))
    if (places.length === 0 || centre[axis] - places.at(-1)! > 4 * within) places.push(centre[axis])
  const [from] = places
  if (from === undefined) return null
  if (places.length === 1) return { from, step: 0, count: 1 }
  const step = shortest((places.at(-1)! - from) / (places.length - 1), within)
  const isEven = places.every((place, i) => Math.abs(place - from - i * step) <= 2 * within)
  return isEven ? { from, step, count: places.length } : null
}
