import { evaluateAll, excessIn, refusalIn } from '../../drawing/evaluate/evaluate'
import type { Check } from '../check'

/** An icon of which nothing would be delivered: without objects, or with none that is seen. */
export const nothingDrawn: Check = {
  id: 'nothing-drawn',
  concerns: 'litter',
  word: 'nothing drawn',
  severity: 'error',
  find({ objects, scene }) {
    // What cannot be drawn is said by itself.
    if (excessIn(objects, scene.values) || objects.some((object) => refusalIn(object, scene))) return []
    if (evaluateAll(objects, scene).some(({ fill, stroke }) => fill ?? stroke)) return []
    const sentence =
      objects.length === 0
        ? 'Nothing is drawn in this icon yet: it would be delivered as an empty picture.'
        : 'Nothing of this icon is seen: all in it is hidden or without paint.'
    return [{ sentence, objects: [] }]
  },
}
