import { pathBounds } from '../../geometry/path'
import type { Check } from '../check'
import { inkInSquare } from '../look/ink'
import { drawnIn, furthest, hasPlate, reachOf, scaled } from '../look/reach'
import { said } from '../look/seen'
import { OVER } from '../look/tolerance'

/** Ink beyond the square: every delivered picture clips it. */
export const beyondSquare: Check = {
  id: 'beyond-square',
  concerns: 'size',
  isLoss: true,
  isSeen: true,
  word: 'beyond the square',
  severity: 'error',
  find(checked) {
    const { size } = checked.rules.grid,
      box = pathBounds(inkInSquare(checked))
    const over = box ? reachOf(box, size / 2) - size / 2 : 0
    if (!box || over <= (OVER * size) / 24 || hasPlate(checked)) return []
    return [
      {
        sentence: `The drawing passes the square by ${said(over)}, which is cut off.`,
        objects: [],
        spot: furthest(box, size / 2),
        ...drawnIn(checked, checked.rules.liveArea, 0),
        ...scaled(checked, checked.rules.liveArea / 2 / (size / 2 + over)),
      },
    ]
  },
}
