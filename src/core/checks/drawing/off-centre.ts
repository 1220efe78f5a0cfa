import { moveObject } from '../../drawing/objects/transform-object'
import { tidy } from '../../geometry/tidy'
import { inkCentroid } from '../../proof/optical-centre'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { hasPlate } from '../look/reach'
import { said } from '../look/seen'

/** How far the middle of the ink may be from the middle of the square, in units of a 24 grid. */
const OFF_CENTRE = 2

/** Drawings that do not balance about the middle of the square. */
export const offCentre: Check = {
  id: 'off-centre',
  concerns: 'size',
  word: 'optical centre off',
  severity: 'note',
  find(checked) {
    const { rules, objects } = checked,
      middle = rules.grid.size / 2
    const centre = inkCentroid(shownInk(checked))
    if (!centre || hasPlate(checked)) return []
    const { step } = rules.grid,
      steps = (by: number) => tidy(Math.round(by / step) * step)
    const by = { x: middle - centre.x, y: middle - centre.y },
      to = { x: steps(by.x), y: steps(by.y) },
      away = Math.hypot(by.x, by.y)
    if (away <= (OFF_CENTRE * rules.grid.size) / 24) return []
    return [
      {
        sentence: `The ink balances ${said(away)} off the middle of the square.`,
        objects: [],
        spot: { at: centre, to: { x: middle, y: middle } },
        ...(!objects.some(({ locked }) => locked) && {
          mend: { kind: 'replace' as const, objects: objects.map((object) => moveObject(object, to)) },
        }),
      },
    ]
  },
}
