import { isGradient, type Paint } from '../../drawing/model/paint'
import { isShared, paintsOf, withPaints } from '../../drawing/model/style'
import { oklabDistance } from '../../proof/oklab'
import type { Rules } from '../../rules/rules'
import type { Check } from '../check'
import { paintedIn, replacing } from '../look/seen'

/** Paints of a colour that is not in the palette. */
export const ownColour: Check = {
  id: 'own-colour',
  concerns: 'rules',
  word: 'colours not in the palette',
  severity: 'warning',
  find: ({ objects, rules }) =>
    paintedIn(objects).flatMap((one) => {
      const { object } = one
      if (isShared(object.style)) return []
      const own = paintsOf(object.style).flatMap(coloursOf)
      if (own.length === 0) return []
      const named = (color: string) => (color.startsWith('#') ? nearestSwatch(color, rules) : color)
      const repainted = withPaints(object.style, (paint) =>
        !isGradient(paint)
          ? named(paint)
          : typeof paint.stops === 'string'
            ? paint
            : { ...paint, stops: paint.stops.map((stop) => ({ ...stop, color: named(stop.color) })) },
      )
      return [
        {
          sentence: `“${object.name}” is painted ${own[0]!}, which is not in the palette${isNear(own[0]!, rules) ? `; the nearest is ${nearestSwatch(own[0]!, rules)}` : ''}.`,
          objects: [object.id],
          ...(own.every((color) => isNear(color, rules)) && replacing(one, { ...object, style: repainted })),
        },
      ]
    }),
}

const coloursOf = (paint: Paint): string[] =>
  !isGradient(paint)
    ? paint.startsWith('#')
      ? [paint]
      : []
    : typeof paint.stops === 'string'
      ? []
      : paint.stops.map(({ color }) => color).filter((color) => color.startsWith('#'))

/** How far a colour may be from a swatch, in OKLab, to be taken for a slip: white is no slip of black. */
const NEAR = 0.2

const isNear = (color: string, rules: Rules): boolean =>
  oklabDistance(color, rules.palette.find(({ name }) => name === nearestSwatch(color, rules))!.color) < NEAR

const nearestSwatch = (color: string, { palette }: Rules): string =>
  palette.reduce((best, one) => (oklabDistance(color, one.color) < oklabDistance(color, best.color) ? one : best)).name
