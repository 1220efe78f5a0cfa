import { type Box } from '../geometry/box'
import type { Point } from '../geometry/point'
import { boxToBox, compose, rotation } from '../geometry/transform'
import { frameOf } from './extent'
import { changeFrame, type Frame, type FrameChange, framePoint, frameToFrame } from './frame'
import { type DrawingObject, isFramed, kindOf } from './object'
import type { Scene } from './scene'
import { settled, transformObject, withMovedPaints } from './transform-object'

/**
 * The object with numbers typed for an anchor (a share of its frame). For paths and containers a turn is added to the
 * drawing.
 */
export function changeNumbers<T extends DrawingObject>(object: T, scene: Scene, anchor: Point, change: FrameChange): T
export function changeNumbers(object: DrawingObject, scene: Scene, anchor: Point, change: FrameChange): DrawingObject {
  const frame = frameOf(object, scene)
  const next = changeFrame(frame, anchor, kindOf(object).isEven?.(object) ? evenly(frame, change) : change)
  if (isFramed(object)) return toFrame(object, next, scene)
  const upright: Frame = { ...next, turn: undefined }
  const scaling = boxToBox(frame, changeFrame(upright, anchor, framePoint(next, anchor)))
  return transformObject(object, next.turn ? compose(rotation(next.turn, framePoint(next, anchor)), scaling) : scaling)
}

/** A framed object brought to a frame as `frameOf` reads it, its gradients along with it. */
export function toFrame<T extends DrawingObject>(object: T, frame: Frame, scene: Scene): T
export function toFrame(object: DrawingObject, frame: Frame, scene: Scene): DrawingObject {
  if (!isFramed(object)) return object
  const own = kindOf(object).toFrame?.(object, frame, scene) ?? { ...object, ...frame }
  return withMovedPaints(settled(own), frameToFrame(object, own))
}

/** Several objects from one upright box to another. */
export function fitObjects(objects: readonly DrawingObject[], from: Box, to: Box): DrawingObject[] {
  const map = boxToBox(from, to)
  return objects.map((object) => transformObject(object, map))
}

/** A change of size in proportion: by what was typed, or of two sizes by the one that changes more. */
function evenly(frame: Frame, change: FrameChange): FrameChange {
  const across = frame.w > 0 ? (change.w ?? frame.w) / frame.w : 1,
    down = frame.h > 0 ? (change.h ?? frame.h) / frame.h : 1
  const by = Math.abs(Math.log(across || 1)) >= Math.abs(Math.log(down || 1)) ? across : down
  return { ...change, w: frame.w * by, h: frame.h * by }
}
