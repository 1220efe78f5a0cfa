import { pathBounds } from '../../geometry/path'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { drawnIn, furthest, hasPlate, reachOf, scaled } from '../look/reach'
import { said } from '../look/seen'
import { OVER } from '../look/tolerance'

/** Ink beyond the live area, but within the square. */
export const outsideLiveArea: Check = {
  id: 'outside-live-area',
  concerns: 'size',
  isLoss: true,
  isSeen: true,
  word: 'outside the live area',
  severity: 'warning',
  find(checked) {
    const { rules } = checked,
      { size } = rules.grid
    const box = pathBounds(shownInk(checked))
    const over = box ? reachOf(box, size / 2) - rules.liveArea / 2 : 0,
      slack = (OVER * size) / 24
    // What passes the square too is named for that.
    const passesSquare = over > (size - rules.liveArea) / 2 + slack
    if (!box || over <= slack || passesSquare || hasPlate(checked)) return []
    return [
      {
        sentence: `The drawing passes the live area by ${said(over)}.`,
        objects: [],
        spot: furthest(box, size / 2),
        ...drawnIn(checked, rules.liveArea, slack),
        ...scaled(checked, rules.liveArea / 2 / (rules.liveArea / 2 + over)),
      },
    ]
  },
}
