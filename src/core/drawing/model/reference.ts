import { z } from 'zod'
import { apply, compose, type Transform } from '../../geometry/transform'
import type { Point } from '../../geometry/point'
import { Label } from './label'
import { Opacity } from './paint'
import { type Frame, frameToFrame } from './frame'
import { Coordinate } from './place'
import { SAME_POINT } from '../../geometry/tolerance'

/** The id of a picture: the first digits of the hash of its bytes. */
export const PictureId = z.string().regex(/^[0-9a-f]{24}$/, 'The id of a picture has 24 hexadecimal digits.')

const Pixels = z.int().min(1).max(8000)

/**
 * A reference picture under or over the square; it is never delivered. The frame is that of the whole picture, `size`
 * is in pixels, `crop` is the visible part.
 */
export const Reference = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'An id has at most 40 lower-case letters, digits and hyphens.'),
  name: Label,
  picture: PictureId,
  size: z.strictObject({ w: Pixels, h: Pixels }),
  x: Coordinate,
  y: Coordinate,
  w: z.number().positive().max(1e6),
  h: z.number().positive().max(1e6),
  turn: z.number().min(-360).max(360).optional(),
  crop: z
    .strictObject({ x: z.number().min(0), y: z.number().min(0), w: z.number().positive(), h: z.number().positive() })
    .optional(),
  opacity: Opacity,
  over: z.literal(true).optional(),
  hidden: z.literal(true).optional(),
  locked: z.literal(true).optional(),
})

export type Reference = z.infer<typeof Reference>

/** Where the pixels of a reference lie in the square: the map from the picture's pixels to grid units. */
export const pixelMap = ({ size, ...frame }: Reference): Transform =>
  frameToFrame({ x: 0, y: 0, w: size.w, h: size.h }, frame)

/** The pixel of a reference, with its fraction, that lies at a place of the square. */
export const pixelAt = ({ size, ...frame }: Reference, p: Point): Point =>
  apply(frameToFrame(frame, { x: 0, y: 0, w: size.w, h: size.h }), p)

/** True where a reference shows a pixel at a place. */
export function shows(reference: Reference, p: Point): boolean {
  if (reference.hidden) return false
  const { x, y } = pixelAt(reference, p),
    { crop, size } = reference
  const box = crop ?? { x: 0, y: 0, ...size }
  return x >= box.x && y >= box.y && x < box.x + box.w && y < box.y + box.h
}

/** A picture laid as large as fits in the middle of the square. */
export function laid(
  id: string,
  name: string,
  picture: string,
  size: { w: number; h: number },
  grid: number,
): Reference {
  const scale = grid / Math.max(size.w, size.h),
    w = size.w * scale,
    h = size.h * scale
  return { id, name, picture, size, x: (grid - w) / 2, y: (grid - h) / 2, w, h, opacity: 0.5 }
}

/**
 * Turns, scales and moves a reference so that two of its places coincide with two others; unchanged if either pair
 * coincides.
 */
export function placedBy(reference: Reference, from: readonly [Point, Point], to: readonly [Point, Point]): Reference {
  const [p, q] = from,
    [a, b] = to
  const d = { x: q.x - p.x, y: q.y - p.y },
    e = { x: b.x - a.x, y: b.y - a.y }
  const length = d.x * d.x + d.y * d.y
  const cos = (d.x * e.x + d.y * e.y) / length,
    sin = (d.x * e.y - d.y * e.x) / length
  const scale = Math.hypot(cos, sin)
  if (length === 0 || scale === 0) return reference
  const map: Transform = compose([1, 0, 0, 1, a.x, a.y], compose([cos, sin, -sin, cos, 0, 0], [1, 0, 0, 1, -p.x, -p.y]))
  const centre = apply(map, { x: reference.x + reference.w / 2, y: reference.y + reference.h / 2 })
  const w = reference.w * scale,
    h = reference.h * scale
  const turn = (((reference.turn ?? 0) + (Math.atan2(sin, cos) * 180) / Math.PI + 540) % 360) - 180
  const { turn: _, ...rest } = reference
  return { ...rest, x: centre.x - w / 2, y: centre.y - h / 2, w, h, ...(Math.abs(turn) > SAME_POINT && { turn }) }
}

/** The frame of a reference alone. */
export const frameOfReference = ({ x, y, w, h, turn }: Reference): Frame => ({
  x,
  y,
  w,
  h,
  ...(turn !== undefined && { turn }),
})
