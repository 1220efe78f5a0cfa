import { evaluate } from '../../drawing/evaluate/evaluate'
import { type DrawingObject, kindOf } from '../../drawing/objects/object'
import type { Scene } from '../../drawing/scene/scene'
import { boxCentre } from '../../geometry/box'
import { pathBounds } from '../../geometry/path'
import { across, AXES, type Axis } from './mark'

/** Where something is held that is fitted as a whole, how long the edge there is, and the weight of a stroke along it. */
type Anchor = { readonly at: number; readonly length: number; readonly weight: number | string }

export function anchorOf(object: DrawingObject, scene: Scene): Record<Axis, Anchor> {
  const middle = kindOf(object).fitting.middle?.(object)
  // Its painted shapes are evaluated already; its outline may not be.
  const shapes = middle ? [] : evaluate(object, scene)
  const box = pathBounds(shapes.flatMap(({ path }) => path))
  const centre = middle ?? boxCentre(box ?? scene.box(object))
  const best: Record<Axis, Anchor> = {
    x: { at: centre.x, length: 0, weight: 0 },
    y: { at: centre.y, length: 0, weight: 0 },
  }
  if (middle) return best
  for (const { path, stroke } of shapes)
    for (const { segments } of path)
      for (const { kind, from, to } of segments) {
        if (kind !== 'line') continue
        for (const axis of AXES) {
          const long = Math.abs(to[across(axis)] - from[across(axis)])
          if (Math.abs(to[axis] - from[axis]) < 1e-6 && long > Math.max(1, best[axis].length))
            best[axis] = {
              at: from[axis],
              length: long,
              weight: stroke ? (nameOf(stroke.width, scene) ?? stroke.width) : 0,
            }
        }
      }
  return best
}

/** The name of the weight of the rules that is so wide. */
export const nameOf = (width: number, scene: Scene): string | undefined =>
  scene.values.weights.find(({ value }) => Math.abs(value - width) < 1e-9)?.name
