import type { Box } from '../../geometry/box'
import { distance, type Point, subtract } from '../../geometry/point'
import { OFFSET, SAME_POINT } from '../../geometry/tolerance'
import { boxToBox, rotation } from '../../geometry/transform'
import { frameOf } from '../evaluate/extent'
import { changeFrame, type Frame, type FrameChange, framePoint, frameToFrame } from '../model/frame'
import { type DrawingObject, isFramed, kindOf } from '../objects/object'
import type { Scene } from '../scene/scene'
import { moveObject, settled, transformObject, withMovedPaints } from '../objects/transform-object'

/**
 * The object with numbers typed for an anchor (a share of its frame). For paths and containers a turn is added to the
 * drawing.
 */
export function changeNumbers<T extends DrawingObject>(object: T, scene: Scene, anchor: Point, change: FrameChange): T
export function changeNumbers(object: DrawingObject, scene: Scene, anchor: Point, change: FrameChange): DrawingObject {
  const frame = frameOf(object, scene)
  const next = changeFrame(frame, anchor, kindOf(object).geometry.isEven?.(object) ? evenly(frame, change) : change)
  if (isFramed(object)) return toFrame(object, next, scene)
  const held = framePoint(next, anchor)
  const sized = scaledTo(object, scene, frame, anchor, { ...next, turn: undefined }, held)
  return next.turn ? transformObject(sized, rotation(next.turn, held)) : sized
}

/** Greatest number of corrections if the result has another size than requested. */
const CORRECTIONS = 6

/**
 * An object scaled to a size, with its place at the anchor held. Strokes and corners may not scale with it; then the
 * scale is corrected until the result has that size, as far as possible.
 */
function scaledTo(
  object: DrawingObject,
  scene: Scene,
  frame: Frame,
  anchor: Point,
  wanted: Frame,
  held: Point,
): DrawingObject {
  const asked = { w: wanted.w, h: wanted.h }
  const made = () => transformObject(object, boxToBox(frame, changeFrame({ ...wanted, ...asked }, anchor, held)))
  let next = made()
  let best = next,
    least = Infinity
  for (let i = 0; i <= CORRECTIONS; i++) {
    const got = frameOf(next, scene)
    const off = { w: wanted.w - got.w, h: wanted.h - got.h },
      most = Math.max(Math.abs(off.w), Math.abs(off.h))
    if (most < least) {
      best = next
      least = most
    }
    // A fitted curve is exact within its tolerance only, so the size may never be exact.
    if (least <= OFFSET / 100 || most > 2 * least) break
    // What does not scale takes its part of the change, so the rest has to scale by more.
    for (const side of ['w', 'h'] as const) {
      const share =
        frame[side] > 0 && asked[side] !== frame[side] ? (got[side] - frame[side]) / (asked[side] - frame[side]) : 1
      asked[side] = Math.max(frame[side] / 1e3, asked[side] + off[side] / Math.max(0.05, Math.min(4, share || 1)))
    }
    next = made()
  }
  const place = framePoint(frameOf(best, scene), anchor)
  return distance(place, held) <= SAME_POINT ? best : moveObject(best, subtract(held, place))
}

/** A framed object brought to a frame as `frameOf` reads it, its gradients along with it. */
export function toFrame<T extends DrawingObject>(object: T, frame: Frame, scene: Scene): T
export function toFrame(object: DrawingObject, frame: Frame, scene: Scene): DrawingObject {
  if (!isFramed(object)) return object
  const own = kindOf(object).geometry.toFrame?.(object, frame, scene) ?? { ...object, ...frame }
  return withMovedPaints(settled(own), frameToFrame(object, own))
}

/** Several objects from one upright box to another. */
export function fitObjects(objects: readonly DrawingObject[], from: Box, to: Box): DrawingObject[] {
  const map = boxToBox(from, to)
  return objects.map((object) => transformObject(object, map))
}

/** A proportional change of size: by the given side, or by the side that changes more. */
function evenly(frame: Frame, change: FrameChange): FrameChange {
  const across = frame.w > 0 ? (change.w ?? frame.w) / frame.w : 1,
    down = frame.h > 0 ? (change.h ?? frame.h) / frame.h : 1
  const by = Math.abs(Math.log(across || 1)) >= Math.abs(Math.log(down || 1)) ? across : down
  return { ...change, w: frame.w * by, h: frame.h * by }
}
