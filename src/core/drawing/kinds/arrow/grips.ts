import { framePoint, shareOf } from '../../model/frame'
import { hundredths } from '../../scene/grip'
import type { Arrow } from './schema'
import type { GripsFacet } from '../facets/grips'

export const grips: GripsFacet<Arrow> = {
  places: (object) => {
    const { head, shaft, back } = object
    return [
      { id: 'neck', at: framePoint(object, { x: back ? head : 1 - head, y: (1 - shaft) / 2 }), what: 'head and shaft' },
    ]
  },
  pull(object, _, to) {
    const p = shareOf(object, to),
      along = (object.back ? -p.x : p.x) / 2 + 0.5
    const head = hundredths(1 - along),
      shaft = hundredths(Math.abs(p.y))
    return {
      object: { ...object, head, shaft },
      figure: `${Math.round(head * 100)} % head, ${Math.round(shaft * 100)} % shaft`,
    }
  },
}
