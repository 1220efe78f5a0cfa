import { frameCorners } from '../../model/frame'
import { cornerGrip, pulledRadius, radiusFigure } from '../../scene/grip'
import type { Rectangle } from './schema'
import { alike } from './geometry'
import { oneCorner } from './ledger'
import type { GripsFacet } from '../facets/grips'

export const grips: GripsFacet<Rectangle> = {
  places: (object, scene, least) =>
    frameCorners(object).map((_, i) => ({
      id: `corner ${i}`,
      at: cornerGrip(frameCorners(object), i, scene.radius(object.corners?.[i] ?? object.corner), least),
      what: 'corner',
    })),
  pull(object, grip, to, scene, pull) {
    const i = Number(grip.split(' ')[1]),
      radius = pulledRadius(frameCorners(object), i, to, scene, pull)
    const corner = typeof radius === 'number' ? Math.min(radius, Math.min(object.w, object.h) / 2) : radius
    return {
      object: pull.alone ? oneCorner(object, i, corner) : { ...alike(object), corner },
      figure: radiusFigure(corner, scene),
    }
  },
}
