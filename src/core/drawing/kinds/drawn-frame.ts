import type { Box } from '../../geometry/box'
import { type Path, pathBounds } from '../../geometry/path'
import { subtract } from '../../geometry/point'
import { type Frame, framePoint } from '../model/frame'
import type { Memory, Scene } from '../scene/scene'

/** How an object with a frame of its own is read by the tight frame of what is drawn, and brought to such a frame. */
type DrawnFrame<T> = {
  readonly frame: (object: T, scene: Scene) => Frame
  readonly toFrame: (object: T, to: Frame, scene: Scene) => T
}

/**
 * How often a frame is corrected at most, and how near is near enough: once does where corners take away as much as
 * before, some ten times where the shape of the corners changes.
 */
const ROUNDS = 60,
  NEAR = 1e-10

/**
 * The frame of what is drawn, for kinds that do not fill their own: a triangle in its circle, an arc in its ellipse.
 * `outline` is the object's path; `sharp` the object without rounded corners, which grows with its frame.
 */
export function drawnFrames<T extends Frame & object>(
  outline: (object: T, scene: Scene) => Path,
  sharp: (object: T) => T,
): DrawnFrame<T> {
  const frames: Memory<Frame> = new WeakMap()
  /** Box of the outline in the axes of the frame. */
  const boxOf = (object: T, scene: Scene): Box => {
    const { turn: _, skew: __, ...upright } = object
    return pathBounds(outline(upright as T, scene)) ?? object
  }
  const frame = (object: T, scene: Scene): Frame =>
    scene.remembered(frames, object, () => {
      const { x, y, w, h, turn, skew } = object
      if (!(w > 0 && h > 0)) return { x, y, w, h, turn, skew }
      const box = boxOf(object, scene)
      const centre = framePoint(object, { x: (box.x + box.w / 2 - x) / w, y: (box.y + box.h / 2 - y) / h })
      return { x: centre.x - box.w / 2, y: centre.y - box.h / 2, w: box.w, h: box.h, turn, skew }
    })
  /** An object whose drawn frame has the middle of another. */
  const placed = (object: T, to: Frame, scene: Scene): T => {
    const middle = { x: 0.5, y: 0.5 },
      { x, y } = subtract(framePoint(to, middle), framePoint(frame(object, scene), middle))
    return { ...object, x: object.x + x, y: object.y + y }
  }
  const toFrame = (object: T, to: Frame, scene: Scene): T => {
    const box = boxOf(object, scene)
    if (!(object.w > 0 && object.h > 0 && box.w > 0 && box.h > 0)) return { ...object, ...to }
    const plain = boxOf(sharp(object), scene)
    let next: T = { ...object, turn: to.turn, skew: to.skew }
    for (let i = 0; i < ROUNDS; i++) {
      const now = boxOf(next, scene)
      const w = to.w - now.w,
        h = to.h - now.h
      if (Math.abs(w) < NEAR && Math.abs(h) < NEAR) return placed(next, to, scene)
      next = {
        ...next,
        w: Math.max(0, next.w + (w * object.w) / plain.w),
        h: Math.max(0, next.h + (h * object.h) / plain.h),
      }
    }
    // What is round by its corners cannot have every size: its sharp form is sized.
    return placed({ ...next, w: (object.w * to.w) / box.w, h: (object.h * to.h) / box.h }, to, scene)
  }
  return { frame, toFrame }
}
