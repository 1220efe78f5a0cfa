import { excessIn, refusalIn } from '../../drawing/evaluate/evaluate'
import type { Check } from '../check'

/** Objects that exceed a limit of cost, time or extent; the whole drawing if only all together do. */
export const cannotBeDrawn: Check = {
  id: 'cannot-be-drawn',
  concerns: 'slips',
  isLoss: true,
  isSeen: true,
  word: 'cannot be drawn',
  severity: 'error',
  find({ objects, scene }) {
    const whole = excessIn(objects, scene.values)
    if (whole) return [{ sentence: whole.message, objects: [] }]
    return objects.flatMap((object) => {
      const refusal = refusalIn(object, scene)
      return refusal ? [{ sentence: refusal.message, objects: [object.id] }] : []
    })
  },
}
