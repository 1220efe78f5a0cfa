import { area } from '../../geometry/area'
import { boxInside } from '../../geometry/box'
import { pathBounds } from '../../geometry/path'
import { combine } from '../../planar/boolean'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { onPlate } from '../look/on-plate'
import { said } from '../look/seen'

/** Ink beside a plate that is not noticed, in squares of a unit of a 24 grid. */
const UNSEEN = 0.05

/** Objects on a plate that cross its edge: most platforms clip them there. */
export const beyondPlate: Check = {
  id: 'beyond-plate',
  concerns: 'size',
  isSeen: true,
  word: 'passes the plate',
  severity: 'warning',
  find(checked) {
    const laid = onPlate(checked)
    if (!laid) return []
    const ink = shownInk({ ...checked, objects: laid.front }),
      unit = checked.rules.grid.size / 24
    const box = pathBounds(ink),
      edge = pathBounds(laid.edge)
    if (!box || !edge) return []
    const past = combine([
      { path: ink, role: 'adds' },
      { path: laid.edge, role: 'cuts' },
    ])
    if (area(past) <= UNSEEN * unit * unit) return []
    const out = pathBounds(past)!
    return [
      {
        sentence: boxInside(box, edge)
          ? 'The drawing passes the edge of the plate here.'
          : `The drawing passes the plate by ${said(Math.max(edge.x - box.x, edge.y - box.y, box.x + box.w - edge.x - edge.w, box.y + box.h - edge.y - edge.h))}.`,
        objects: [],
        spot: { at: { x: out.x + out.w / 2, y: out.y + out.h / 2 } },
      },
    ]
  },
}
