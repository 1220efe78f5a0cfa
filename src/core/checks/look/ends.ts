import { type Style, isShared } from '../../drawing/model/style'
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
      return [
        {
          sentence: `“${object.name}” has ${own} ${key}s; the rules say ${rules[key]}.`,
          objects: [object.id],
          ...replacing(one, { ...object, style: rest as Style }),
        },
      ]
    }),
})
