import { isFramed } from '../../drawing/objects/object'
import type { Check } from '../check'
import { replacing, said, seenIn } from '../look/seen'
import { NEARLY_STRAIGHT, SAME_DIRECTION } from '../look/tolerance'

/** Steps of the turns that are meant, in degrees. */
const STEP = 15

/** Shapes that are turned by a degree or two more or less than was meant. */
export const nearlyUpright: Check = {
  id: 'nearly-upright',
  concerns: 'slips',
  word: 'nearly upright',
  severity: 'warning',
  find: ({ objects }) =>
    seenIn(objects).flatMap((one) => {
      const { object } = one
      if (!isFramed(object) || object.turn === undefined) return []
      const meant = Math.round(object.turn / STEP) * STEP,
        away = Math.abs(object.turn - meant)
      if (away < SAME_DIRECTION || away > NEARLY_STRAIGHT) return []
      const { turn: _, ...upright } = object
      return [
        {
          sentence: `“${object.name}” is turned by ${said(object.turn)}°, which is nearly ${meant}°.`,
          objects: [object.id],
          spot: { at: { x: object.x + object.w / 2, y: object.y + object.h / 2 } },
          ...replacing(one, meant % 360 === 0 ? upright : { ...object, turn: meant }),
        },
      ]
    }),
}
