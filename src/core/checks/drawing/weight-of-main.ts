import { isShared } from '../../drawing/model/style'
import type { Check } from '../check'
import { paintedIn, replacing } from '../look/seen'

/** Strokes of a master drawn by hand whose weight has another name than in the main master. */
export const weightOfMain: Check = {
  id: 'weight-of-main',
  concerns: 'rules',
  word: 'another weight than in the main master',
  severity: 'warning',
  find({ objects, main }) {
    if (!main) return []
    const weights = new Map(
      paintedIn(main).flatMap(({ object }) => named(object.style).map((name) => [object.id, name])),
    )
    return paintedIn(objects).flatMap((one) => {
      const { object } = one,
        [own] = named(object.style),
        wanted = weights.get(object.id)
      if (isShared(object.style) || own === undefined || wanted === undefined || own === wanted) return []
      return [
        {
          sentence: `“${object.name}” has the weight ${own}; in the main master it has ${wanted}.`,
          objects: [object.id],
          ...replacing(one, { ...object, style: { ...object.style, weight: wanted } }),
        },
      ]
    })
  },
}

/** The name of a style's weight, where it strokes and the weight has a name. */
const named = (style: Parameters<typeof isShared>[0]): string[] =>
  !isShared(style) && style.stroke !== 'none' && typeof style.weight === 'string' ? [style.weight] : []
