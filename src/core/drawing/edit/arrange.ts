import { type Box, boxUnion } from '../../geometry/box'
import type { Point } from '../../geometry/point'
import { tidy } from '../../geometry/tidy'
import { extent } from '../evaluate/extent'
import { moveObject } from '../objects/transform-object'
import type { DrawingObject } from '../objects/object'
import type { Scene } from '../scene/scene'

/** A side or a middle on which boxes are lined up. */
export type Side = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom'

/** The move that brings a side of a box onto that side of another. */
function moveTo(side: Side, from: Box, to: Box): Point {
  switch (side) {
    case 'left':
      return { x: to.x - from.x, y: 0 }
    case 'right':
      return { x: to.x + to.w - from.x - from.w, y: 0 }
    case 'centre':
      return { x: to.x + to.w / 2 - from.x - from.w / 2, y: 0 }
    case 'top':
      return { x: 0, y: to.y - from.y }
    case 'bottom':
      return { x: 0, y: to.y + to.h - from.y - from.h }
    case 'middle':
      return { x: 0, y: to.y + to.h / 2 - from.y - from.h / 2 }
  }
}

const moved = (object: DrawingObject, { x, y }: Point): DrawingObject => moveObject(object, { x: tidy(x), y: tidy(y) })

/** Objects lined up: each on the box where there is one for all, or where `asOne` is set the whole of them. */
export function aligned(
  objects: readonly DrawingObject[],
  scene: Scene,
  side: Side,
  to: Box,
  asOne: boolean,
): DrawingObject[] {
  const boxes = objects.map((object) => extent(object, scene))
  const whole = boxUnion(boxes)
  return objects.map((object, i) => moved(object, moveTo(side, asOne ? whole! : boxes[i]!, to)))
}

/**
 * Distributes objects with equal gaps along an axis. Without `gap` the outermost stay and the gaps are equal; with it
 * the first stays. Needs three objects, or two and a gap.
 */
export function spaced(
  objects: readonly DrawingObject[],
  scene: Scene,
  axis: 'x' | 'y',
  gap: number | null,
): DrawingObject[] {
  const size = axis === 'x' ? 'w' : 'h'
  const order = objects
    .map((object) => ({ object, box: extent(object, scene) }))
    .sort((a, b) => a.box[axis] - b.box[axis])
  const first = order[0],
    last = order.at(-1)
  if (!first || !last) return []
  const taken = order.reduce((sum, { box }) => sum + box[size], 0)
  const between = gap ?? (last.box[axis] + last.box[size] - first.box[axis] - taken) / (order.length - 1)
  let at = first.box[axis]
  return order.map(({ object, box }) => {
    const by = at - box[axis]
    at += box[size] + between
    return moved(object, axis === 'x' ? { x: by, y: 0 } : { x: 0, y: by })
  })
}
