import { moveObject } from '../../drawing/objects/transform-object'
import { extent } from '../../drawing/evaluate/extent'
import { kindOf } from '../../drawing/objects/object'
import { boxCentre } from '../../geometry/box'
import type { Check } from '../check'
import { isNearly } from '../look/circles'
import { replacing, said, seenIn } from '../look/seen'

/** Circles, ovals, rectangles and plates that are nearly in the middle of the square. */
export const nearlyCentred: Check = {
  id: 'nearly-centred',
  concerns: 'slips',
  word: 'nearly centred',
  severity: 'warning',
  find({ objects, rules, scene }) {
    const unit = rules.grid.size / 24,
      middle = rules.grid.size / 2
    return seenIn(objects).flatMap((one) => {
      // Of other kinds the middle of the box says nothing: a part that is turned has it anywhere.
      const { fills, stands } = kindOf(one.object)
      if (one.parents.length > 0 || (!fills && stands !== 'ground')) return []
      const centre = boxCentre(extent(one.object, scene))
      const by = {
        x: isNearly(Math.abs(centre.x - middle), unit) ? middle - centre.x : 0,
        y: isNearly(Math.abs(centre.y - middle), unit) ? middle - centre.y : 0,
      }
      if (by.x === 0 && by.y === 0) return []
      return [
        {
          sentence: `“${one.object.name}” is nearly in the middle of the square: off by ${said(Math.hypot(by.x, by.y))}.`,
          objects: [one.object.id],
          spot: { at: centre },
          ...replacing(one, moveObject(one.object, by)),
        },
      ]
    })
  },
}
