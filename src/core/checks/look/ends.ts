import { type Style, isShared } from '../../drawing/model/style'
import { isDot } from '../../drawing/objects/dot'
import { weightOf } from '../../drawing/model/values'
import type { Checked } from '../check'
import type { Found } from '../snag'
import { paintedIn, replacing } from './seen'

/** Strokes whose caps, or whose joins, are not those of the rules. */
export const ownEnds = (key: 'cap' | 'join') => ({
  find: ({ objects, rules }: Checked): Found[] =>
    paintedIn(objects).flatMap((one) => {
      const { object } = one
      if (isShared(object.style) || object.style.stroke === 'none') return []
      const { [key]: own, ...rest } = object.style
      if (own === undefined || own === rules[key]) return []
      // A dot is made by its caps alone: with others it would be another shape, or none.
      if (key === 'cap' && isDot(object, weightOf(object.style.weight, rules))) return []
      return [
        {
          sentence: `“${object.name}” has ${own} ${key}s; the rules say ${rules[key]}.`,
          objects: [object.id],
          ...replacing(one, { ...object, style: rest as Style }),
        },
      ]
    }),
})
