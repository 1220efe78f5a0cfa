import { moveObject } from '../../drawing/objects/transform-object'
import { boxCentre, boxInside } from '../../geometry/box'
import { pathBounds } from '../../geometry/path'
import { inkCentroid } from '../../proof/optical-centre'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { onPlate } from '../look/on-plate'
import { said } from '../look/seen'

/** Greatest distance of objects on a plate from its centre, as a share of the plate. */
const OFF = 0.02

/** Objects nearer to the edge than this share of the plate are scenery, clipped by the plate. */
const MARGIN = 0.05

/** Objects on a plate that are off its centre, both by their extent and by their balance. */
export const offPlateMiddle: Check = {
  id: 'off-plate-middle',
  concerns: 'size',
  word: 'off the middle of the plate',
  severity: 'note',
  find(checked) {
    const laid = onPlate(checked)
    const edge = laid && pathBounds(laid.edge)
    if (!edge) return []
    const ink = shownInk({ ...checked, objects: laid.front })
    const box = pathBounds(ink),
      balance = inkCentroid(ink)
    const margin = MARGIN * Math.min(edge.w, edge.h)
    const inner = { x: edge.x + margin, y: edge.y + margin, w: edge.w - 2 * margin, h: edge.h - 2 * margin }
    if (!box || !balance || !boxInside(box, inner)) return []
    const middle = boxCentre(edge),
      own = boxCentre(box)
    const limit = OFF * Math.max(edge.w, edge.h)
    const off = (axis: 'x' | 'y') => {
      const byExtent = middle[axis] - own[axis],
        byBalance = middle[axis] - balance[axis]
      if (byExtent * byBalance <= 0) return 0
      return Math.abs(byExtent) < Math.abs(byBalance) ? byExtent : byBalance
    }
    const by = { x: off('x'), y: off('y') },
      away = Math.hypot(by.x, by.y)
    if (away <= limit) return []
    const step = checked.rules.grid.step
    const to = { x: Math.round(by.x / step) * step, y: Math.round(by.y / step) * step }
    return [
      {
        sentence: `The figure is ${said(away)} off the middle of its plate.`,
        objects: laid.front.map(({ id }) => id),
        spot: { at: own, to: middle },
        ...((to.x !== 0 || to.y !== 0) &&
          !laid.front.some(({ locked }) => locked) && {
            mend: { kind: 'replace' as const, objects: laid.front.map((object) => moveObject(object, to)) },
          }),
      },
    ]
  },
}
