import type { DrawingObject } from '../../../drawing/objects/object'
import { boxUnion } from '../../../geometry/box'
import { type Path, pathBounds, transformPath } from '../../../geometry/path'
import { tidy } from '../../../geometry/tidy'
import type { Transform } from '../../../geometry/transform'
import { isSameOutline } from '../../../outline/same-outline'
import { shortest } from '../live'
import { inPlaceOf, mayBeOne } from './painting-order'
import { isLike, lengthOf, type Piece, pieceOf, scene } from './piece'

/** Least mirrored share of the painted objects for a mirror: two dots are not enough. */
const WORTH = 0.3

/** A drawing whose one half is the other's mirror image, as that half and a mirror. */
export function mirroredBack(objects: readonly DrawingObject[], within: number): readonly DrawingObject[] {
  const outlines = objects.map((object) => ({ object, edge: scene.edge(object), piece: pieceOf(object) }))
  const whole = boxUnion(outlines.flatMap(({ edge }) => pathBounds(edge) ?? []))
  if (!whole) return objects
  for (const axis of ['x', 'y'] as const) {
    const middle = shortest(axis === 'x' ? whole.x + whole.w / 2 : whole.y + whole.h / 2, within)
    const map: Transform = axis === 'x' ? [-1, 0, 0, 1, 2 * middle, 0] : [1, 0, 0, -1, 0, 2 * middle]
    const found = halfOf(outlines, axis, middle, map, within)
    if (!found) continue
    const gone = new Set(found.flatMap(({ object, image }) => [object, image]))
    if (!mayBeOne(objects, gone)) continue
    const { object } = found[0]!
    const across = axis === 'x' ? whole.y + whole.h / 2 : whole.x + whole.w / 2
    const mirror = {
      kind: 'mirror',
      id: `${object.id}-mirrored`,
      name: found.length === 1 ? `${object.name} mirrored` : 'Mirrored half',
      at: axis === 'x' ? { x: middle, y: tidy(across) } : { x: tidy(across), y: middle },
      angle: axis === 'x' ? 90 : 0,
      folds: 1,
      flip: true,
      members: found.map((one) => one.object),
    } as unknown as DrawingObject
    return inPlaceOf(objects, gone, mirror)
  }
  return objects
}

type Outlined = { readonly object: DrawingObject; readonly edge: Path; readonly piece: Piece | null }
type Half = { readonly object: DrawingObject; readonly image: DrawingObject }

/** The objects of one half, each with its image in the other; null where something has none, or too little is in halves. */
function halfOf(
  outlines: readonly Outlined[],
  axis: 'x' | 'y',
  middle: number,
  map: Transform,
  within: number,
): Half[] | null {
  const halves: Half[] = [],
    left = new Set(outlines)
  let imaged = 0,
    all = 0
  for (const one of outlines) {
    const length = lengthOf(one.edge)
    all += length
    if (!left.delete(one)) continue
    const image = transformPath(one.edge, map)
    if (isSameOutline(image, one.edge, within)) continue
    const other = [...left].find(
      ({ edge, piece }) => piece && one.piece && isLike(piece, one.piece, within) && isSameOutline(image, edge, within),
    )
    if (!other || meetsAt(one.edge, axis, middle, within)) return null
    left.delete(other)
    imaged += 2 * length
    const isFirst = one.piece!.centre[axis] < middle
    halves.push(isFirst ? { object: one.object, image: other.object } : { object: other.object, image: one.object })
  }
  return halves.length > 0 && imaged >= WORTH * all ? halves : null
}

/** Whether an open end is on the mirror line: its image would join it there and remove the caps. */
const meetsAt = (edge: Path, axis: 'x' | 'y', middle: number, within: number): boolean =>
  edge.some(
    ({ closed, segments }) =>
      !closed && [segments[0]!.from, segments.at(-1)!.to].some((end) => Math.abs(end[axis] - middle) <= 2 * within),
  )
