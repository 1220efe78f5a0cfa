import { scaleOwn } from '../../drawing/objects/scale-own'
import { transformObject } from '../../drawing/objects/transform-object'
import type { DrawingObject } from '../../drawing/objects/object'
import type { Point } from '../../geometry/point'

/** Last scaled form of drawings, so that memoised results are found again. */
const known = new WeakMap<readonly DrawingObject[], { readonly k: number; readonly scaled: readonly DrawingObject[] }>()

/** A drawing scaled from its own square to a grid, its strokes and corners too; `corner` is where the square's first corner goes. */
export function onGrid(
  { objects, side }: { readonly objects: readonly DrawingObject[]; readonly side: number },
  grid: number,
  corner: Point = { x: 0, y: 0 },
): readonly DrawingObject[] {
  const k = grid / side
  if (Math.abs(k - 1) < 1e-12 && corner.x === 0 && corner.y === 0) return objects
  const isAtOrigin = corner.x === 0 && corner.y === 0,
    before = known.get(objects)
  if (isAtOrigin && before?.k === k) return before.scaled
  const scaled = objects.map((object) => scaleOwn(transformObject(object, [k, 0, 0, k, corner.x, corner.y]), k))
  if (isAtOrigin) known.set(objects, { k, scaled })
  return scaled
}
