import type { Box } from '../../geometry/box'
import { add, type Point, subtract } from '../../geometry/point'
import { apply, compose, cosSin, type Transform } from '../../geometry/transform'

/** A box turned (degrees, clockwise) and slanted (degrees) about its centre; x, y, w, h are those before the turn. */
export type Frame = Box & { readonly turn?: number | undefined; readonly skew?: number | undefined }

/** The map from an upright box centred on the origin to the frame's place. */
function frameMap({ x, y, w, h, turn = 0, skew = 0 }: Frame): Transform {
  const { cos, sin } = cosSin(turn)
  const slant = Math.tan((skew * Math.PI) / 180)
  return [cos, sin, cos * slant - sin, sin * slant + cos, x + w / 2, y + h / 2]
}

/** Where a share of the frame lies: (0, 0) its first corner, (0.5, 0.5) its centre. */
export function framePoint(frame: Frame, share: Point): Point {
  return apply(frameMap(frame), { x: (share.x - 0.5) * frame.w, y: (share.y - 0.5) * frame.h })
}

/** The map that carries one frame onto another. A frame without width (or height) keeps that scale. */
export function frameToFrame(from: Frame, to: Frame): Transform {
  const [a, b, c, d, e, f] = frameMap(from)
  const det = a * d - b * c
  const back: Transform = [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det]
  const scale: Transform = [from.w === 0 ? 1 : to.w / from.w, 0, 0, from.h === 0 ? 1 : to.h / from.h, 0, 0]
  return compose(frameMap(to), compose(scale, back))
}

/** The four corners in order, from the first, clockwise before any mirroring. */
export function frameCorners(frame: Frame): Point[] {
  return [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ].map(([x, y]) => framePoint(frame, { x: x!, y: y! }))
}

/** The two half axes as vectors: the image of (1, 0) and (0, 1) of the unit circle that the frame stretches. */
function frameAxes(frame: Frame): { u: Point; v: Point } {
  const [a, b, c, d] = frameMap(frame)
  return { u: { x: (a * frame.w) / 2, y: (b * frame.w) / 2 }, v: { x: (c * frame.h) / 2, y: (d * frame.h) / 2 } }
}

/** The half axes of a share of the frame's ellipse. */
export function scaledAxes(frame: Frame, share: number): { u: Point; v: Point } {
  const { u, v } = frameAxes(frame)
  return { u: { x: u.x * share, y: u.y * share }, v: { x: v.x * share, y: v.y * share } }
}

/** A point in the axes in which a frame's ellipse is the unit circle. */
export function shareOf(frame: Frame, p: Point): Point {
  const { x, y } = toFrameAxes(frame, subtract(p, framePoint(frame, { x: 0.5, y: 0.5 })))
  return { x: (2 * x) / frame.w, y: (2 * y) / frame.h }
}

/** A direction in the frame's own axes: undoes the turn and slant of a vector. */
export function toFrameAxes(frame: Frame, vector: Point): Point {
  const [a, b, c, d] = frameMap(frame)
  const det = a * d - b * c
  return { x: (d * vector.x - c * vector.y) / det, y: (a * vector.y - b * vector.x) / det }
}

/** True for a map that turns shapes over. */
export const isMirroring = ([a, b, c, d]: Transform): boolean => a * d - b * c < 0

/**
 * The image of a frame under an affine map, exact: any parallelogram is a frame (QR decomposition of its half axes).
 * Moves and upright scalings leave turn and slant untouched to the last digit. What a mirroring map turns over is taken
 * to be turned over from left to right in its own axes: `isMirroring` says when that is so.
 */
export function transformFrame(frame: Frame, map: Transform): Frame {
  const [a, b, c, d] = map
  const centre = apply(map, framePoint(frame, { x: 0.5, y: 0.5 }))
  const about = (w: number, h: number) => ({ x: centre.x - w / 2, y: centre.y - h / 2, w, h })
  if (a === 1 && b === 0 && c === 0 && d === 1) return { ...frame, ...about(frame.w, frame.h) }
  if (!frame.turn && !frame.skew && b === 0 && c === 0 && d > 0)
    return { ...frame, ...about(frame.w * Math.abs(a), frame.h * Math.abs(d)) }
  const { u, v } = frameAxes(frame)
  const over = isMirroring(map) ? -1 : 1
  const p = apply([a * over, b * over, c * over, d * over, 0, 0], u),
    q = apply([a, b, c, d, 0, 0], v)
  const flat = p.x === 0 && p.y === 0
  const angle = flat ? Math.atan2(-q.x, q.y) : Math.atan2(p.y, p.x)
  const cos = Math.cos(angle),
    sin = Math.sin(angle)
  const along = cos * q.x + sin * q.y,
    across = cos * q.y - sin * q.x
  const skew = across === 0 ? 0 : tidyDegrees((Math.atan(along / across) * 180) / Math.PI)
  const turn = tidyDegrees((angle * 180) / Math.PI)
  return {
    ...frame,
    ...about(2 * Math.hypot(p.x, p.y), 2 * Math.abs(across)),
    turn: turn || undefined,
    skew: skew || undefined,
  }
}

/** A share of the frame is held in place while its numbers change; `x` and `y` are that share's place. */
export type FrameChange = { x?: number; y?: number; w?: number; h?: number; turn?: number }

/** The frame with numbers typed for an anchor: size and turn change about it, then it goes where x and y say. */
export function changeFrame(frame: Frame, anchor: Point, change: FrameChange): Frame {
  const held = framePoint(frame, anchor)
  const sized: Frame = {
    ...frame,
    w: change.w ?? frame.w,
    h: change.h ?? frame.h,
    turn: (change.turn ?? frame.turn) || undefined,
  }
  const target = { x: change.x ?? held.x, y: change.y ?? held.y }
  const shift = subtract(target, framePoint(sized, anchor))
  return { ...sized, ...add(sized, shift) }
}

/** Removes the last digits of rounding noise from an angle in degrees. */
const tidyDegrees = (degrees: number): number => Math.round(degrees * 1e9) / 1e9
