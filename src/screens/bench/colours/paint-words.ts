import { isGradient, type Paint } from '@/core/drawing/paint'
import { colourOf, type NamedValues, stopsOf } from '@/core/drawing/values'

/** A paint as CSS paints it on light ground, from left to right; null for none. */
export function cssPaint(paint: Paint, values: NamedValues): string | null {
  if (paint === 'none') return null
  if (!isGradient(paint)) return colourOf(paint, values).light
  const stops = stopsOf(paint, values).map(({ at, color, opacity = 1 }) => `color-mix(in srgb, ${colourOf(color, values).light} ${opacity * 100}%, transparent) ${at * 100}%`)
  return paint.kind === 'linear' ? `linear-gradient(90deg, ${stops.join(', ')})` : `radial-gradient(circle, ${stops.join(', ')})`
}

/** A paint in a word: its name, its digits, or what kind of gradient. */
export const paintWord = (paint: Paint): string => (!isGradient(paint) ? paint : typeof paint.stops === 'string' ? paint.stops : paint.kind)
