import { boxesOverlap } from '../../geometry/box'
import { extent } from '../../drawing/evaluate/extent'
import { styleOf } from '../../drawing/scene/shared-style'
import { isStyled, kindOf } from '../../drawing/objects/object'
import { isGradient } from '../../drawing/model/paint'
import { colourOf } from '../../drawing/model/values'
import { ENOUGH, contrast } from '../../proof/contrast'
import type { Check } from '../check'
import { paintedIn, said } from '../look/seen'

/** Low contrast between a plate and the objects on it; objects beside or behind the plate do not count. */
export const lowContrast: Check = {
  id: 'low-contrast',
  concerns: 'rules',
  isLoss: true,
  isSeen: true,
  word: 'too little contrast on the plate',
  severity: 'warning',
  find({ objects, scene, rules }) {
    const plate = objects.find((object) => kindOf(object).stands === 'ground')
    if (!plate || !isStyled(plate)) return []
    const { fill } = styleOf(plate, scene)
    if (isGradient(fill) || fill === 'none') return []
    const ground = colourOf(fill, rules).light.slice(0, 7)
    const painted = paintedIn(objects),
      area = extent(plate, scene)
    const above = painted.slice(painted.findIndex(({ object }) => object === plate) + 1)
    const ratios = above.flatMap(({ object }) => {
      if (!boxesOverlap(extent(object, scene), area)) return []
      const style = styleOf(object, scene)
      return [style.fill, style.stroke].flatMap((paint) =>
        paint === 'none'
          ? []
          : isGradient(paint)
            ? [Infinity]
            : [contrast(colourOf(paint, rules).light.slice(0, 7), ground)],
      )
    })
    const most = Math.max(...ratios)
    if (ratios.length === 0 || most >= ENOUGH) return []
    return [
      {
        sentence: `Nothing stands out from the plate: the contrast is at most ${said(Math.round(most * 10) / 10)} : 1, and a graphic needs ${ENOUGH} : 1.`,
        objects: [plate.id],
      },
    ]
  },
}
