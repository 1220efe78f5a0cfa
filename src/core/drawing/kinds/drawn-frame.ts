import type { Box } from '../../geometry/box'
import { type Path, pathBounds } from '../../geometry/path'
import { subtract } from '../../geometry/point'
import { type Frame, framePoint } from '../model/frame'
import type { Memory, Scene } from '../scene/scene'

/** Reads and sets the tight frame around the drawn outline of an object. */
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
 * Tight frames for kinds whose outline is smaller than their own frame: a triangle in its circle, an arc in its ellipse.
 * `outline` returns the object's path, `sharp` the object without rounded corners; its size is proportional to the frame.
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
  /** Moves an object so that its tight frame has the same centre as another frame. */
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
    // Rounded corners exclude some sizes: the sharp form gets the size instead.
    return placed({ ...next, w: (object.w * to.w) / box.w, h: (object.h * to.h) / box.h }, to, scene)
  }
  return { frame, toFrame }
}
