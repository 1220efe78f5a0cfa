import { sceneOf } from '../../../drawing/evaluate/evaluated-scene'
import { refusalIn } from '../../../drawing/evaluate/evaluate'
import { type DrawingObject, isStyled } from '../../../drawing/objects/object'
import { isShared } from '../../../drawing/model/style'
import type { Box } from '../../../geometry/box'
import { segmentLength } from '../../../geometry/lengths'
import { type Path, pathBounds, segmentCount } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { pointAt } from '../../../geometry/segment'
import { STARTERS } from '../../../rules/starters'

/** An object in the form for comparison: its outline, its box, the mean of its points, and its finish. */
export type Piece = {
  readonly object: DrawingObject
  readonly edge: Path
  readonly box: Box
  readonly centre: Point
  readonly length: number
  readonly finish: string
}

/** A scene for objects whose numbers are all their own. */
export const scene = sceneOf(STARTERS[0]!.rules)

export const lengthOf = (path: Path): number =>
  path.reduce((sum, { segments }) => sum + segments.reduce((all, one) => all + segmentLength(one), 0), 0)

/** A colour of eight digits, the last two of which say how opaque it is. */
const TRANSLUCENT = /^#[0-9a-f]{8}$/i

/** An object in the form for comparison; null for containers and objects with several finishes. */
export function pieceOf(object: DrawingObject): Piece | null {
  if (!isStyled(object) || isShared(object.style) || object.hidden || object.locked || object.role) return null
  // A shadow does not turn with its object, and translucent copies would overlap visibly.
  if (object.opacity !== undefined || object.shadow) return null
  const { fill, stroke, fills, fillOpacity, strokeOpacity, dash, startHead, endHead } = object.style
  if (fills || fillOpacity !== undefined || strokeOpacity !== undefined) return null
  if ([fill, stroke].some((paint) => typeof paint !== 'string' || TRANSLUCENT.test(paint))) return null
  // Where a stroke begins is not seen of its outline.
  if (dash || startHead || endHead) return null
  if (refusalIn(object, scene)) return null
  const edge = scene.edge(object),
    box = pathBounds(edge)
  // Open lines may join their images, and enclose another filled area.
  if (!box || (fill !== 'none' && edge.some(({ closed }) => !closed))) return null
  const places = edge.flatMap(({ segments }) => segments.flatMap((one) => [0.25, 0.75].map((t) => pointAt(one, t))))
  const mean = (axis: 'x' | 'y') => places.reduce((sum, p) => sum + p[axis], 0) / places.length
  return {
    object,
    edge,
    box,
    centre: { x: mean('x'), y: mean('y') },
    length: lengthOf(edge),
    finish: JSON.stringify(object.style),
  }
}

/** Whether two objects may be images of each other: painted alike, of as many segments, as long. */
export const isLike = (a: Piece, b: Piece, within: number): boolean =>
  a.finish === b.finish &&
  segmentCount(a.edge) === segmentCount(b.edge) &&
  Math.abs(a.length - b.length) <= 4 * within * segmentCount(a.edge)

/** Groups of pieces that may be images of each other, of so many at least, each piece in one group. */
export function groupsOf(objects: readonly DrawingObject[], within: number, least: number): Piece[][] {
  const left = objects.flatMap((object) => pieceOf(object) ?? [])
  const groups: Piece[][] = []
  while (left.length > 0) {
    const group = left.filter((one) => isLike(left[0]!, one, within))
    left.splice(0, left.length, ...left.filter((one) => !group.includes(one)))
    if (group.length >= least) groups.push(group)
  }
  return groups
}
