import { type Path, polyline, transformPath } from '../geometry/path'
import type { Transform } from '../geometry/transform'
import { combine } from '../planar/boolean'
import { clipped } from './clip'
import { type Memory, remembered } from './memory'
import { imagesOf, mirrored } from './mirror'
import type { DrawingObject, Group, Mask } from './object'
import { painted } from './painted'
import { type Shape, veiled } from './shape'
import { arrowPath, ellipsePath, pathOutline, polygonPath, rectanglePath, spiralPath } from './shapes'
import { textOutline } from './text'
import { movedPaint, type NamedValues } from './values'

/** The shapes an object resolves to, in paint order; hidden objects resolve to none. Remembered for each object and rules. */
export function evaluate(object: DrawingObject, values: NamedValues): readonly Shape[] {
  return remembered(shapesOf, values, object, () => {
    if (object.hidden || object.opacity === 0) return []
    const shapes = ownShapes(object, values)
    return object.opacity !== undefined && object.opacity < 1 ? veiled(shapes, object.opacity, null) : shapes
  })
}

function ownShapes(object: DrawingObject, values: NamedValues): readonly Shape[] {
  switch (object.kind) {
    case 'group':
      return object.mask ? masked(object, object.mask, values) : object.members.flatMap((member) => evaluate(member, values))
    case 'mirror': {
      const images = imagesOf(object)
      return object.members.flatMap((member) => evaluate(member, values)).flatMap((one) => mirroredShapes(one, images))
    }
    default:
      return painted(object, outline(object, values), values)
  }
}

/** What a group's mask leaves of its members. */
function masked({ members }: Group, mask: Mask, values: NamedValues): readonly Shape[] {
  const seen = visible(members), front = seen.at(-1)
  if (!front || seen.length < 2) return []
  const shapes = seen.slice(0, -1).flatMap((member) => evaluate(member, values))
  return mask === 'fade' ? veiled(shapes, 1, evaluate(front, values)) : clipped(shapes, outline(front, values), mask)
}

/** A shape with all its images; those with gradients each by itself, because their paint is turned along. */
function mirroredShapes(shape: Shape, images: readonly Transform[]): Shape[] {
  const { path, fill, stroke } = shape
  if (!(fill && 'kind' in fill) && !(stroke && 'kind' in stroke.paint)) return mirrored(path, images).map((image) => ({ ...shape, path: image }))
  return images.map((map) => ({
    ...shape,
    path: transformPath(path, map),
    fill: fill && movedPaint(fill, map),
    stroke: stroke && { ...stroke, paint: movedPaint(stroke.paint, map) },
  }))
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

const shapesOf: Memory<NamedValues, DrawingObject, readonly Shape[]> = new WeakMap()
const outlines: Memory<NamedValues, DrawingObject, Path> = new WeakMap()
