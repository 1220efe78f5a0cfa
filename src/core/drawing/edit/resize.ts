import type { Point } from '../../geometry/point'
import { subtract } from '../../geometry/point'
import { type Frame, framePoint, toFrameAxes } from '../model/frame'

/**
 * One of the eight places a frame is pulled by, as a share of it: (0, 0) the first corner, (1, 0.5) the middle of the
 * right side.
 */
export type Handle = Point

export const HANDLES: readonly Handle[] = [
  { x: 0, y: 0 },
  { x: 0.5, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 0.5 },
  { x: 1, y: 1 },
  { x: 0.5, y: 1 },
  { x: 0, y: 1 },
  { x: 0, y: 0.5 },
]

/** How a frame is pulled: keeping its proportion, or about its centre. */
export type Pull = { readonly proportional: boolean; readonly centred: boolean }

/**
 * The frame with a handle pulled to a point: the opposite handle, or the centre, stays. Pulled through itself, it opens
 * on the other side.
 */
export function pullFrame(frame: Frame, handle: Handle, to: Point, { proportional, centred }: Pull): Frame {
  const fixed = centred ? { x: 0.5, y: 0.5 } : { x: 1 - handle.x, y: 1 - handle.y }
  const held = framePoint(frame, fixed)
  const pull = toFrameAxes(frame, subtract(to, held))
  const reach = centred ? 2 : 1
  const side = (share: number, along: number, now: number) =>
    share === 0.5 ? now : along * (share === 0 ? -1 : 1) * reach
  let w = side(handle.x, pull.x, frame.w),
    h = side(handle.y, pull.y, frame.h)
  if (proportional && frame.w > 0 && frame.h > 0) {
    const kx = Math.abs(w) / frame.w,
      ky = Math.abs(h) / frame.h
    const k = handle.x === 0.5 ? ky : handle.y === 0.5 ? kx : Math.max(kx, ky)
    w = Math.sign(w || 1) * k * frame.w
    h = Math.sign(h || 1) * k * frame.h
  }
  const sized: Frame = { ...frame, w: Math.abs(w), h: Math.abs(h) }
  // When pulled through itself the held place becomes the opposite side of the new frame.
  const share = { x: w < 0 ? 1 - fixed.x : fixed.x, y: h < 0 ? 1 - fixed.y : fixed.y }
  const shift = subtract(held, framePoint(sized, share))
  return { ...sized, x: sized.x + shift.x, y: sized.y + shift.y }
}
