import { tidy } from '../../../geometry/tidy'
import { fittedFrame } from '../../model/fitting'
import { type Radius } from '../../model/style'
import type { Rectangle } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<Rectangle> = {
  // Corners of a radius of their own take as much of the shorter side as before: half a circle stays one.
  fit(object, to) {
    const next = fittedFrame(object, to)
    if (!next) return null
    const by = Math.min(next.w, next.h) / (Math.min(object.w, object.h) * to.scale)
    const kept = (radius: Radius): Radius => (typeof radius === 'number' ? tidy(radius * by) : radius)
    return { ...next, corner: kept(next.corner), ...(next.corners && { corners: next.corners.map(kept) }) }
  },
}
