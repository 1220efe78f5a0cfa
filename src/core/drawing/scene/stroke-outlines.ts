import { strokeInk } from './ink'
import type { Shape, GroupEffect } from './shape'

const outlines = new WeakMap<Shape, readonly Shape[]>()

/**
 * Shapes with their strokes as filled outlines over their fills, and those of masks likewise. Remembered for each
 * shape.
 */
export function withStrokesOutlined(shapes: readonly Shape[]): Shape[] {
  return shapes.flatMap((shape) => {
    let known = outlines.get(shape)
    if (!known) outlines.set(shape, (known = outlineOf(shape)))
    return known
  })
}

function outlineOf(own: Shape): Shape[] {
  const shape: Shape = own.effect ? { ...own, effect: outlinedEffect(own.effect) } : own
  const { fill, stroke } = shape
  if (!stroke) return [shape]
  const ink = strokeInk(shape)
  const drawn: Shape[] = ink.length > 0 ? [{ ...shape, path: ink, fill: stroke.paint, stroke: null }] : []
  return fill ? [{ ...shape, stroke: null }, ...drawn] : drawn
}

const effects = new WeakMap<GroupEffect, GroupEffect>()

/**
 * An effect with the strokes of its masks outlined; the same object for the same effect, so that groups stay groups.
 */
function outlinedEffect(effect: GroupEffect): GroupEffect {
  let known = effects.get(effect)
  if (!known)
    effects.set(
      effect,
      (known = {
        ...effect,
        mask: effect.mask && withStrokesOutlined(effect.mask),
        outer: effect.outer && outlinedEffect(effect.outer),
      }),
    )
  return known
}
