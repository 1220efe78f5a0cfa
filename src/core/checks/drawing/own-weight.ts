import { isShared } from '../../drawing/model/style'
import type { Check } from '../check'
import { paintedIn, replacing, said } from '../look/seen'
import { nearestNamed } from '../look/values-of-rules'

/** Strokes whose weight is a number of their own. */
export const ownWeight: Check = {
  id: 'own-weight',
  concerns: 'rules',
  word: 'weights not in the rules',
  severity: 'warning',
  find: ({ objects, rules }) =>
    paintedIn(objects).flatMap((one) => {
      const { object } = one
      if (isShared(object.style) || object.style.stroke === 'none' || typeof object.style.weight === 'string') return []
      const named = nearestNamed(object.style.weight, rules.weights)!
      return [
        {
          sentence: `“${object.name}” has a weight of its own, ${said(object.style.weight)}; the nearest in the rules is ${named.name}, ${said(named.value)}.`,
          objects: [object.id],
          ...replacing(one, { ...object, style: { ...object.style, weight: named.name } }),
        },
      ]
    }),
}
