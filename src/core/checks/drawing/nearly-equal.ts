import { type DrawingObject, type Framed, isFramed, kindOf } from '../../drawing/objects/object'
import { boxCentre } from '../../geometry/box'
import type { Check } from '../check'
import { isNearly } from '../look/circles'
import { type Seen, replacing, seenIn } from '../look/seen'

/** Objects of one kind, side by side, that are nearly of one size. */
export const nearlyEqual: Check = {
  id: 'nearly-equal',
  concerns: 'slips',
  word: 'nearly equal',
  severity: 'note',
  find({ objects, rules }) {
    const unit = rules.grid.size / 24
    const sized = seenIn(objects).filter(
      (one): one is Seen & { object: Framed } => isFramed(one.object) && kindOf(one.object).fills !== undefined,
    )
    return sized.flatMap((one, i) => {
      const alike = (key: 'w' | 'h') =>
        sized
          .slice(0, i)
          .find(
            ({ object }) => object.kind === one.object.kind && isNearly(Math.abs(object[key] - one.object[key]), unit),
          )?.object
      const wider = alike('w'),
        higher = alike('h'),
        other = wider ?? higher
      if (!other) return []
      const w = wider?.w ?? one.object.w,
        h = higher?.h ?? one.object.h
      const { x, y } = one.object
      const equal: DrawingObject = {
        ...one.object,
        x: x + (one.object.w - w) / 2,
        y: y + (one.object.h - h) / 2,
        w,
        h,
      }
      return [
        {
          sentence: `“${one.object.name}” and “${other.name}” are nearly of one size.`,
          objects: [one.object.id, other.id],
          spot: { at: boxCentre(one.object) },
          ...replacing(one, equal),
        },
      ]
    })
  },
}
