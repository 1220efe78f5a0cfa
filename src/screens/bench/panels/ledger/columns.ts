import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { frameOf } from '@/core/drawing/evaluate/extent'
import { framePoint } from '@/core/drawing/model/frame'
import { type DrawingObject, isCornered, isRounding, isStyled } from '@/core/drawing/objects/object'
import type { Scene } from '@/core/drawing/scene/scene'
import { styleOf } from '@/core/drawing/scene/shared-style'
import type { CornerStyle, Radius, Style } from '@/core/drawing/model/style'
import type { NamedValues } from '@/core/drawing/model/values'
import { dropped } from '@/core/drawing/edit/node-edit'
import type { Point } from '@/core/geometry/point'
import { SEVERAL } from '../../cells/value-cell'

/** The numbers of a row, read at an anchor. */
type RowNumbers = {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
  readonly turn: number
}

export function numbersOf(object: DrawingObject, values: NamedValues, anchor: Point): RowNumbers {
  const frame = frameOf(object, sceneOf(values))
  const { x, y } = framePoint(frame, anchor)
  return { x, y, w: frame.w, h: frame.h, turn: frame.turn ?? 0 }
}

/** An object's corner radius, or that of a combination's rounded corners; `SEVERAL` where its corners differ. */
export function cornerOf(object: DrawingObject): Radius | undefined | typeof SEVERAL {
  if (!isCornered(object)) return isRounding(object) ? (object.corners?.radius ?? 0) : undefined
  const all = ownCorners(object)
  return all.every((corner) => corner === all[0]) ? (all[0] ?? object.corner) : SEVERAL
}

/** The radii of an object's corners one by one; none where they all have that of the object. */
function ownCorners(object: DrawingObject & { corner: Radius }): Radius[] {
  if (object.kind === 'rectangle') return object.corners ?? []
  if (object.kind !== 'path') return []
  const nodes = object.contours.flatMap((run) => run.nodes)
  return nodes.some(({ corner }) => corner !== undefined) ? nodes.map(({ corner }) => corner ?? object.corner) : []
}

/** An object whose corners are all alike. */
function withoutOwnCorners(object: DrawingObject): DrawingObject {
  if (object.kind === 'rectangle') {
    const { corners: _, ...rest } = object
    return rest
  }
  if (object.kind !== 'path') return object
  const contours = object.contours.map((run) => ({ ...run, nodes: run.nodes.map((node) => dropped(node, 'corner')) }))
  return { ...object, contours }
}

export function withCorner(object: DrawingObject, corner: Radius): DrawingObject {
  if (isCornered(object)) return { ...withoutOwnCorners(object), corner } as DrawingObject
  if (!isRounding(object)) return object
  const { corners, ...rest } = object
  // Without a choice of corners none is the same as not set.
  if (corner === 0 && !corners?.only) return rest as DrawingObject
  return { ...object, corners: { ...corners, radius: corner } }
}

export const cornerStyleOf = (object: DrawingObject): CornerStyle | undefined =>
  isCornered(object)
    ? (object.cornerStyle ?? 'round')
    : isRounding(object) && object.corners
      ? (object.corners.style ?? 'round')
      : undefined

export function withCornerStyle(object: DrawingObject, cornerStyle: CornerStyle): DrawingObject {
  if (isRounding(object) && object.corners) {
    const { style: _, ...corners } = object.corners
    return { ...object, corners: cornerStyle === 'round' ? corners : { ...corners, style: cornerStyle } }
  }
  if (!isCornered(object)) return object
  const { cornerStyle: _, ...rest } = object
  return (cornerStyle === 'round' ? rest : { ...rest, cornerStyle }) as DrawingObject
}

/**
 * An object with changes to its style; a shared style becomes its own, until the change is applied to all that share
 * it.
 */
export function withStyle(object: DrawingObject, change: Partial<Style>, scene: Scene): DrawingObject {
  if (!isStyled(object)) return object
  const style = { ...styleOf(object, scene), ...change }
  if (style.cap === undefined) delete style.cap
  if (style.join === undefined) delete style.join
  return { ...object, style }
}

/** What several objects have in common: the value, `SEVERAL` where they differ, undefined where none has it. */
export function common<T>(
  objects: readonly DrawingObject[],
  read: (object: DrawingObject) => T | undefined,
): T | undefined | typeof SEVERAL {
  const values = objects.map(read).filter((value) => value !== undefined)
  if (values.length === 0) return undefined
  const first = JSON.stringify(values[0])
  return values.every((value) => value === values[0] || JSON.stringify(value) === first) ? values[0] : SEVERAL
}
