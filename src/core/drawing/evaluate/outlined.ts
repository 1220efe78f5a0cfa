import { strokeInk } from './ink'
import type { Shape, Veil } from './shape'

const outlines = new WeakMap<Shape, readonly Shape[]>()

/**
 * Shapes with their strokes as filled outlines over their fills, and those of masks likewise. Remembered for each
 * shape.
 */
export function outlined(shapes: readonly Shape[]): Shape[] {
  return shapes.flatMap((shape) => {
    let known = outlines.get(shape)
    if (!known) outlines.set(shape, (known = outlineOf(shape)))
    return known
  })
}

function outlineOf(own: Shape): Shape[] {
  const shape: Shape = own.veil ? { ...own, veil: outlinedVeil(own.veil) } : own
  const { fill, stroke } = shape
  if (!stroke) return [shape]
  const ink = strokeInk(shape)
  const drawn: Shape[] = ink.length > 0 ? [{ ...shape, path: ink, fill: stroke.paint, stroke: null }] : []
  return fill ? [{ ...shape, stroke: null }, ...drawn] : drawn
}

const veils = new WeakMap<Veil, Veil>()

/**
 * A veil with the strokes of its masks outlined; the same for the same veil, so that what lies under it stays together.
 */
function outlinedVeil(veil: Veil): Veil {
  let known = veils.get(veil)
  if (!known)
    veils.set(
      veil,
      (known = { ...veil, mask: veil.mask && outlined(veil.mask), outer: veil.outer && outlinedVeil(veil.outer) }),
    )
  return known
}
