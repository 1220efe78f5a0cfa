import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { inkOfAll } from '../../drawing/scene/ink'
import type { DrawingObject } from '../../drawing/objects/object'
import { type Path, pathBounds } from '../../geometry/path'
import type { Memory } from '../../drawing/scene/scene'
import type { Checked } from '../check'

const inks: Memory<Path> = new WeakMap()

/** All that a drawing paints as one area, whatever the colour; what cannot be drawn is left out. */
export const shownInk = ({ objects, scene }: Pick<Checked, 'objects' | 'scene'>): Path =>
  scene.remembered(inks, objects as readonly DrawingObject[], () => inkOfAll(evaluateAll(objects, scene)))

/** The ink of a drawing without the contours that lie wholly outside the square. */
export function inkInSquare(checked: Checked): Path {
  const { size } = checked.rules.grid
  return shownInk(checked).filter((contour) => {
    const { x, y, w, h } = pathBounds([contour])!
    return x < size && y < size && x + w > 0 && y + h > 0
  })
}
