import type { Point } from './point'

/** An upright rectangle: its least corner and its size, in grid units. Width and height are never negative. */
export type Box = { readonly x: number; readonly y: number; readonly w: number; readonly h: number }

/** The box with two given opposite corners. */
export function boxBetween(a: Point, b: Point): Box {
  return { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), w: Math.abs(a.x - b.x), h: Math.abs(a.y - b.y) }
}

/** The least box around points; null around none. */
export function boxAround(points: Iterable<Point>): Box | null {
  let x0 = Infinity,
    y0 = Infinity,
    x1 = -Infinity,
    y1 = -Infinity
  for (const { x, y } of points) {
    if (x < x0) x0 = x
    if (x > x1) x1 = x
    if (y < y0) y0 = y
    if (y > y1) y1 = y
  }
  return x0 > x1 ? null : { x: x0, y: y0, w: x1 - x0, h: y1 - y0 }
}

/** The least box around boxes; null around none. */
export function boxUnion(boxes: Iterable<Box>): Box | null {
  const corners: Point[] = []
  for (const box of boxes) corners.push(box, { x: box.x + box.w, y: box.y + box.h })
  return boxAround(corners)
}

export function boxContains(box: Box, p: Point, margin = 0): boolean {
  return (
    p.x >= box.x - margin && p.x <= box.x + box.w + margin && p.y >= box.y - margin && p.y <= box.y + box.h + margin
  )
}

export function boxInside(inner: Box, outer: Box): boolean {
  return (
    inner.x >= outer.x &&
    inner.y >= outer.y &&
    inner.x + inner.w <= outer.x + outer.w &&
    inner.y + inner.h <= outer.y + outer.h
  )
}

export const boxCentre = (box: Box): Point => ({ x: box.x + box.w / 2, y: box.y + box.h / 2 })

/** A box of a given size about a centre. */
export function boxAbout(centre: Point, w: number, h: number): Box {
  return { x: centre.x - w / 2, y: centre.y - h / 2, w, h }
}

/** Whether two boxes overlap, or are nearer to each other than `margin`; touching is not overlapping. */
export const boxesOverlap = (a: Box, b: Box, margin = 0): boolean =>
  a.x < b.x + b.w + margin && b.x < a.x + a.w + margin && a.y < b.y + b.h + margin && b.y < a.y + a.h + margin
