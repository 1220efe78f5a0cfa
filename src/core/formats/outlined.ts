import type { Shape } from '../drawing/shape'
import { strokedArea } from '../outline/stroking'

const outlines = new WeakMap<Shape, readonly Shape[]>()

/** Shapes with their strokes as filled outlines over their fills. Remembered for each shape. */
export function outlined(shapes: readonly Shape[]): Shape[] {
  return shapes.flatMap((shape) => {
    let known = outlines.get(shape)
    if (!known) outlines.set(shape, (known = outlineOf(shape)))
    return known
  })
}

function outlineOf(shape: Shape): Shape[] {
  const { path, fill, stroke } = shape
  if (!stroke) return [shape]
  const outline = strokedArea(path, stroke)
  const drawn: Shape[] = outline.length > 0 ? [{ ...shape, path: outline, fill: stroke.paint, stroke: null }] : []
  return fill ? [{ ...shape, stroke: null }, ...drawn] : drawn
}
