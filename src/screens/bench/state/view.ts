import type { Box } from '@/core/geometry/box'
import type { Point } from '@/core/geometry/point'

/** The view of the square: screen pixels per grid unit, and the position of the grid's origin on the screen. */
export type View = { readonly scale: number; readonly x: number; readonly y: number }

/** The breadth of a ruler in screen pixels. */
export const RULER = 22

export const toScreen = (view: View, p: Point): Point => ({
  x: view.x + p.x * view.scale,
  y: view.y + p.y * view.scale,
})
export const toGrid = (view: View, p: Point): Point => ({
  x: (p.x - view.x) / view.scale,
  y: (p.y - view.y) / view.scale,
})

/** Limits of the zoom, in screen pixels to the whole square. */
const SMALLEST = 24
const LARGEST = 60_000

/** The view zoomed by a factor about a place on the screen, which stays where it is. */
export function zoomAt(view: View, about: Point, factor: number, gridSize: number): View {
  const scale = Math.min(LARGEST / gridSize, Math.max(SMALLEST / gridSize, view.scale * factor))
  const k = scale / view.scale
  return { scale, x: about.x - (about.x - view.x) * k, y: about.y - (about.y - view.y) * k }
}

/** The view in which a box fills the stage but for a margin, at whole pixels to the unit where that is possible. */
export function fit(box: Box, stage: { readonly w: number; readonly h: number }, margin: number): View {
  const free = Math.min((stage.w - 2 * margin) / Math.max(box.w, 1e-6), (stage.h - 2 * margin) / Math.max(box.h, 1e-6))
  const scale = free >= 2 ? Math.floor(free) : free
  return {
    scale,
    x: Math.round((stage.w - box.w * scale) / 2 - box.x * scale),
    y: Math.round((stage.h - box.h * scale) / 2 - box.y * scale),
  }
}
