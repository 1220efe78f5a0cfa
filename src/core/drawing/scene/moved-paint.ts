import { compose, type Transform } from '../../geometry/transform'
import { transformGradient } from '../model/gradient'
import type { Linear } from '../model/paint'
import type { ResolvedPaint } from '../model/resolved'

/** A paint where a map takes it: colours stay, gradients go along. */
export function movedPaint(paint: ResolvedPaint, map: Transform): ResolvedPaint {
  if (!('kind' in paint)) return paint
  if (paint.kind === 'radial') return { ...paint, map: compose(map, paint.map) }
  const { from, to } = transformGradient({ kind: 'linear', from: paint.from, to: paint.to, stops: '' }, map) as Linear
  return { ...paint, from, to }
}
