import { type Path, polyline } from '../geometry/path'
import { combine } from '../planar/boolean'
import { arrowPath, ellipsePath, pathOutline, polygonPath, rectanglePath, spiralPath } from './shapes'
import { imagesOf, mirrored } from './mirror'
import { type Memory, remembered } from './memory'
import type { DrawingObject, PathObject } from './object'
import { filledRegions } from './regions'
import { hasOwnJoints, ownJointsOutline } from './own-joints'
import type { Style } from './style'
import { textOutline } from './text'
import { type NamedValues, paintOf, type ResolvedPaint, type ResolvedStroke, strokeOf } from './values'

/** A resolved piece of an icon: an exact path and its paint. `id` is the object it came from. */
export type Shape = {
  readonly id: string
  readonly path: Path
  readonly fill: ResolvedPaint | null
  readonly stroke: ResolvedStroke | null
}

/** The shapes an object resolves to, in paint order; hidden objects resolve to none. Remembered for each object and rules. */
export function evaluate(object: DrawingObject, values: NamedValues): readonly Shape[] {
  return remembered(shapesOf, values, object, () => {
    if (object.hidden) return []
    if (object.kind === 'mirror') {
      const images = imagesOf(object)
      return object.members.flatMap((member) => evaluate(member, values)).flatMap((one) => mirrored(one.path, images).map((path) => ({ ...one, path })))
    }
    if (object.kind === 'group') return object.members.flatMap((member) => evaluate(member, values))
    const shapes = shape(object.id, outline(object, values), object.style, values)
    return object.kind === 'path' && (object.regions || hasOwnJoints(object)) ? shapes.flatMap((one) => layers(object, one)) : shapes
  })
}

/** A path's fill, where only regions of it are filled, and its stroke, where nodes have joints of their own, one over the other. */
function layers(object: PathObject, { id, path, fill, stroke }: Shape): Shape[] {
  const filled = fill && object.regions ? filledRegions(path, object.regions) : path
  const under: Shape[] = fill && filled.length > 0 ? [{ id, path: filled, fill, stroke: null }] : []
  if (!stroke) return under
  return [...under, hasOwnJoints(object) ? { id, path: ownJointsOutline(object, path, stroke), fill: stroke.paint, stroke: null } : { id, path, fill: null, stroke }]
}

/** The shapes of a whole drawing. */
export function evaluateAll(objects: readonly DrawingObject[], values: NamedValues): Shape[] {
  return objects.flatMap((object) => evaluate(object, values))
}

/** An object's geometry without its paint: its own outline, or what its members come to. */
export function outline(object: DrawingObject, values: NamedValues): Path {
  return remembered(outlines, values, object, () => {
    switch (object.kind) {
      case 'rectangle':
        return rectanglePath(object, values)
      case 'ellipse':
        return ellipsePath(object)
      case 'polygon':
        return polygonPath(object, values)
      case 'arrow':
        return arrowPath(object, values)
      case 'spiral':
        return spiralPath(object)
      case 'line':
        return nonEmpty([polyline([object.from, object.to], false)])
      case 'path':
        return pathOutline(object, values)
      case 'text':
        return textOutline(object)
      case 'group': {
        const members = visible(object.members).map((member) => ({ path: outline(member, values), role: 'adds' as const }))
        return combine(members)
      }
      case 'mirror': {
        const images = imagesOf(object)
        return combine(visible(object.members).flatMap((member) => mirrored(outline(member, values), images)).map((path) => ({ path, role: 'adds' as const })))
      }
      case 'assembly': {
        const members = visible(object.members).map((member) => ({ path: outline(member, values), role: member.role ?? 'adds' }))
        return combine(members)
      }
    }
  })
}

const visible = (objects: readonly DrawingObject[]) => objects.filter(({ hidden }) => !hidden)
const nonEmpty = (path: Path): Path => path.filter(({ segments }) => segments.length > 0)

function shape(id: string, path: Path, style: Style, values: NamedValues): Shape[] {
  const fill = paintOf(style.fill, values), stroke = strokeOf(style, values)
  return path.length > 0 && (fill || stroke) ? [{ id, path, fill, stroke }] : []
}

const shapesOf: Memory<NamedValues, DrawingObject, readonly Shape[]> = new WeakMap()
const outlines: Memory<NamedValues, DrawingObject, Path> = new WeakMap()
