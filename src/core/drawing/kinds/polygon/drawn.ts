import type { Box } from '../../../geometry/box'
import { pathBounds } from '../../../geometry/path'
import { subtract } from '../../../geometry/point'
import { type Frame, framePoint } from '../../model/frame'
import type { Memory, Scene } from '../../scene/scene'
import { polygonPath } from './outline'
import type { Polygon } from './schema'

/** Box of a polygon's outline in the axes of its frame. */
function drawnBox(object: Polygon, scene: Scene): Box {
  const { turn: _, skew: __, ...upright } = object
  return pathBounds(polygonPath(upright, scene)) ?? object
}

const frames: Memory<Frame> = new WeakMap()

/** The tight frame of a polygon, with its turn and slant: a triangle does not fill its circle. */
export const drawnFrame = (object: Polygon, scene: Scene): Frame =>
  scene.remembered(frames, object, () => {
    const { x, y, w, h, turn, skew } = object
    if (!(w > 0 && h > 0)) return { x, y, w, h, turn, skew }
    const box = drawnBox(object, scene)
    const centre = framePoint(object, { x: (box.x + box.w / 2 - x) / w, y: (box.y + box.h / 2 - y) / h })
    return { x: centre.x - box.w / 2, y: centre.y - box.h / 2, w: box.w, h: box.h, turn, skew }
  })

/**
 * How often the circle is corrected at most, and how near is near enough: once does where corners take away as much as
 * before, some ten times where the shape of the corners changes.
 */
const ROUNDS = 60,
  NEAR = 1e-10

/** The polygon whose drawn frame is another. */
export function drawnIn(object: Polygon, to: Frame, scene: Scene): Polygon {
  const box = drawnBox(object, scene)
  if (!(object.w > 0 && object.h > 0 && box.w > 0 && box.h > 0)) return { ...object, ...to }
  // By how much the drawn box grows with the frame: as its sharp nodes do.
  const sharp = drawnBox({ ...object, corner: 0 }, scene)
  let next: Polygon = { ...object, turn: to.turn, skew: to.skew }
  for (let i = 0; i < ROUNDS; i++) {
    const now = drawnBox(next, scene)
    const w = to.w - now.w,
      h = to.h - now.h
    if (Math.abs(w) < NEAR && Math.abs(h) < NEAR) return placed(next, to, scene)
    next = {
      ...next,
      w: Math.max(0, next.w + (w * object.w) / sharp.w),
      h: Math.max(0, next.h + (h * object.h) / sharp.h),
    }
  }
  // A polygon that is round by its corners cannot have every size: its sharp form is sized.
  const plain = { ...next, w: (object.w * to.w) / box.w, h: (object.h * to.h) / box.h }
  return placed(plain, to, scene)
}

/** A polygon whose drawn frame has the middle of another. */
function placed(object: Polygon, to: Frame, scene: Scene): Polygon {
  const { x, y } = subtract(
    framePoint(to, { x: 0.5, y: 0.5 }),
    framePoint(drawnFrame(object, scene), { x: 0.5, y: 0.5 }),
  )
  return { ...object, x: object.x + x, y: object.y + y }
}
