import { isTimed, timed } from '../geometry/deadline'
import { type Path, polyline, transformPath } from '../geometry/path'
import { distance } from '../geometry/point'
import { line, type Segment } from '../geometry/segment'
import { FAR, SAME_POINT } from '../geometry/tolerance'
import type { Transform } from '../geometry/transform'
import { combine } from '../planar/boolean'
import { clipped } from './clip'
import { costOf, costOfAll, isExcessive, refuseExcess } from './cost'
import { type Memory, recalled, remember } from './memory'
import { imagesOf, mirrored } from './mirror'
import type { DrawingObject, Group, Mask } from './object'
import { painted } from './painted'
import { Refusal, refusalOf } from './refusal'
import { type Shape, veiled } from './shape'
import { arrowPath, ellipsePath, pathOutline, polygonPath, rectanglePath, spiralPath } from './shapes'
import { textOutline } from './text'
import { movedPaint, type NamedValues } from './values'

/**
 * The shapes an object resolves to, in paint order; hidden objects resolve to none, and so do those that cannot be
 * drawn: `refusalIn` says why. Remembered for each object and rules.
 */
export const evaluate = (object: DrawingObject, values: NamedValues): readonly Shape[] =>
  orNothing(() => shapesOf(object, values))

/**
 * An object's geometry without its paint: its own outline, or what its members come to; nothing where that cannot be
 * computed.
 */
export const outline = (object: DrawingObject, values: NamedValues): Path => orNothing(() => outlineOf(object, values))

/** The shapes of those objects of a drawing that can be drawn. */
export function evaluateAll(objects: readonly DrawingObject[], values: NamedValues): Shape[] {
  return objects.flatMap((object) => evaluate(object, values))
}

/**
 * The shapes of a whole drawing. Throws a `Refusal` when any of it cannot be drawn, or all of it comes to too much: a
 * picture that lacks something is never made.
 */
export function wholeDrawing(objects: readonly DrawingObject[], values: NamedValues): Shape[] {
  for (const object of objects) refuseExcess(`“${object.name}”`, costOf(object))
  refuseExcess('The drawing', costOfAll(objects))
  return objects.flatMap((object) => shapesOf(object, values))
}

/**
 * Why a drawing comes to more than is drawn although each of its objects does not; null when it does not. Computes
 * nothing.
 */
export function excessIn(objects: readonly DrawingObject[]): Refusal | null {
  try {
    refuseExcess('The drawing', costOfAll(objects.filter((object) => !isExcessive(costOf(object)))))
    return null
  } catch (error) {
    return error as Refusal
  }
}

/** Why an object cannot be drawn; null when it can. */
export function refusalIn(object: DrawingObject, values: NamedValues): Refusal | null {
  try {
    shapesOf(object, values)
    return null
  } catch (error) {
    return refusalOf(object, error)
  }
}

function orNothing<T>(compute: () => readonly T[]): readonly T[] {
  try {
    return compute()
  } catch (error) {
    if (error instanceof Refusal) return []
    throw error
  }
}

/** The shapes of an object. Throws a `Refusal`. */
function shapesOf(object: DrawingObject, values: NamedValues): readonly Shape[] {
  return known(shapesKnown, object, values, () => {
    if (object.hidden || object.opacity === 0) return []
    const shapes = ownShapes(object, values)
    return object.opacity !== undefined && object.opacity < 1 ? veiled(shapes, object.opacity, null) : shapes
  })
}

/** The outline of an object. Throws a `Refusal`. */
function outlineOf(object: DrawingObject, values: NamedValues): Path {
  return known(outlinesKnown, object, values, () => drawable(object, ownOutline(object, values)))
}

/**
 * What is known of an object, or computed now, a refusal included. One for want of time is remembered only for what the
 * time was given to: a member that was merely the last may be quick by itself.
 */
function known<T>(
  memory: Memory<NamedValues, DrawingObject, T | Refusal>,
  object: DrawingObject,
  values: NamedValues,
  compute: () => T,
): T {
  const isPart = isTimed()
  let result = recalled(memory, values, object)
  if (result === undefined) {
    result = attempt(object, compute)
    if (!(result instanceof Refusal && result.code === 'too-slow' && isPart)) remember(memory, values, object, result)
  }
  if (result instanceof Refusal) throw result
  return result
}

function attempt<T>(object: DrawingObject, compute: () => T): T | Refusal {
  try {
    refuseExcess(`“${object.name}”`, costOf(object))
    return timed(compute)
  } catch (error) {
    return refusalOf(object, error)
  }
}

/**
 * A path as it can be drawn: arcs without an extent are straight (SVG 2 §9.5.1), contours without segments are left
 * out. Throws when it reaches farther than anything is drawn.
 */
function drawable(object: DrawingObject, path: Path): Path {
  let same = true
  const contours = path.map((contour) => {
    if (!contour.segments.some(isFlat)) return contour
    same = false
    return {
      ...contour,
      segments: contour.segments.flatMap((segment) =>
        !isFlat(segment)
          ? [segment]
          : distance(segment.from, segment.to) > SAME_POINT
            ? [line(segment.from, segment.to)]
            : [],
      ),
    }
  })
  if (!contours.every(({ segments }) => segments.every(isWithinReach)))
    throw new Refusal('too-far', `“${object.name}” reaches further from the square than anything is drawn.`)
  return same && path.every(({ segments }) => segments.length > 0)
    ? path
    : contours.filter(({ segments }) => segments.length > 0)
}

const isFlat = (segment: Segment): boolean =>
  segment.kind === 'arc' && !(segment.rx > SAME_POINT && segment.ry > SAME_POINT)

function isWithinReach(segment: Segment): boolean {
  const { from, to } = segment
  if (!isNear(from.x) || !isNear(from.y) || !isNear(to.x) || !isNear(to.y)) return false
  if (segment.kind === 'cubic')
    return isNear(segment.c1.x) && isNear(segment.c1.y) && isNear(segment.c2.x) && isNear(segment.c2.y)
  return segment.kind !== 'arc' || (isNear(segment.rx) && isNear(segment.ry))
}

const isNear = (x: number): boolean => Math.abs(x) <= FAR

function ownShapes(object: DrawingObject, values: NamedValues): readonly Shape[] {
  switch (object.kind) {
    case 'group':
      return object.mask
        ? masked(object, object.mask, values)
        : object.members.flatMap((member) => shapesOf(member, values))
    case 'mirror': {
      const images = imagesOf(object)
      return object.members.flatMap((member) => shapesOf(member, values)).flatMap((one) => mirroredShapes(one, images))
    }
    default: {
      return painted(object, outlineOf(object, values), values).flatMap((shape) => {
        const path = drawable(object, shape.path)
        return path === shape.path ? [shape] : path.length > 0 ? [{ ...shape, path }] : []
      })
    }
  }
}

/** What a group's mask leaves of its members. */
function masked({ members }: Group, mask: Mask, values: NamedValues): readonly Shape[] {
  const seen = visible(members),
    front = seen.at(-1)
  if (!front || seen.length < 2) return []
  const shapes = seen.slice(0, -1).flatMap((member) => shapesOf(member, values))
  return mask === 'fade' ? veiled(shapes, 1, shapesOf(front, values)) : clipped(shapes, outlineOf(front, values), mask)
}

/** A shape with all its images; those with gradients each by itself, because their paint is turned along. */
function mirroredShapes(shape: Shape, images: readonly Transform[]): Shape[] {
  const { path, fill, stroke } = shape
  if (!(fill && 'kind' in fill) && !(stroke && 'kind' in stroke.paint))
    return mirrored(path, images).map((image) => ({ ...shape, path: image }))
  return images.map((map) => ({
    ...shape,
    path: transformPath(path, map),
    fill: fill && movedPaint(fill, map),
    stroke: stroke && { ...stroke, paint: movedPaint(stroke.paint, map) },
  }))
}

function ownOutline(object: DrawingObject, values: NamedValues): Path {
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
      return [polyline([object.from, object.to], false)]
    case 'path':
      return pathOutline(object, values)
    case 'text':
      return textOutline(object)
    case 'group': {
      const members = visible(object.members).map((member) => ({
        path: outlineOf(member, values),
        role: 'adds' as const,
      }))
      return combine(members)
    }
    case 'mirror': {
      const images = imagesOf(object)
      return combine(
        visible(object.members)
          .flatMap((member) => mirrored(outlineOf(member, values), images))
          .map((path) => ({ path, role: 'adds' as const })),
      )
    }
    case 'assembly': {
      const members = visible(object.members).map((member) => ({
        path: outlineOf(member, values),
        role: member.role ?? 'adds',
      }))
      return combine(members)
    }
  }
}

const visible = (objects: readonly DrawingObject[]) => objects.filter(({ hidden }) => !hidden)

const shapesKnown: Memory<NamedValues, DrawingObject, readonly Shape[] | Refusal> = new WeakMap()
const outlinesKnown: Memory<NamedValues, DrawingObject, Path | Refusal> = new WeakMap()
