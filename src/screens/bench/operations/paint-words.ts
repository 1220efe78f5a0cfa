import { isGradient, type Paint } from '@/core/drawing/model/paint'
import { cssStops } from '@/ui/css-gradient'
import { colourOf, type NamedValues, stopsOf } from '@/core/drawing/model/values'

/** A paint as CSS paints it on light ground, from left to right; null for none. */
export function cssPaint(paint: Paint, values: NamedValues): string | null {
  if (paint === 'none') return null
  if (!isGradient(paint)) return colourOf(paint, values).light
  const stops = cssStops(stopsOf(paint, values).map((stop) => ({ ...stop, color: colourOf(stop.color, values).light })))
  return paint.kind === 'linear' ? `linear-gradient(90deg, ${stops})` : `radial-gradient(circle, ${stops})`
}

/** A paint in a word: its name, its digits, or what kind of gradient. */
export const paintWord = (paint: Paint): string =>
  !isGradient(paint) ? paint : typeof paint.stops === 'string' ? paint.stops : paint.kind
