import { isCornered, isRounding } from '../../drawing/objects/object'
import { visited } from '../../drawing/objects/visit'
import type { Check } from '../check'
import { replacing, said, seenIn } from '../look/seen'
import { nearestNamed } from '../look/values-of-rules'

/** Corners whose radius is a number of their own; sharp ones are no matter of the rules. */
export const ownRadius: Check = {
  id: 'own-radius',
  concerns: 'rules',
  word: 'radii not in the rules',
  severity: 'warning',
  find: ({ objects, rules }) =>
    seenIn(objects).flatMap((one) => {
      const { object } = one
      if (rules.radii.length === 0 || !(isCornered(object) || isRounding(object))) return []
      const own: number[] = []
      const mended = visited(object, {
        radius(radius) {
          if (typeof radius === 'string' || radius === 0) return radius
          own.push(radius)
          return nearestNamed(radius, rules.radii)!.name
        },
      })
      if (own.length === 0) return []
      const named = nearestNamed(own[0]!, rules.radii)!
      return [
        {
          sentence: `“${object.name}” has a radius of its own, ${said(own[0]!)}; the nearest in the rules is ${named.name}, ${said(named.value)}.`,
          objects: [object.id],
          ...replacing(one, mended),
        },
      ]
    }),
}
