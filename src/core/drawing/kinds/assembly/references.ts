import type { Radius } from '../../model/style'
import { type Assembly } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<Assembly> = {
  withRadii: (object, change) => withResultRadius(object, change),
}

function withResultRadius(object: Assembly, change: (radius: Radius) => Radius): Assembly {
  if (!object.corners) return object
  const radius = change(object.corners.radius)
  return radius === object.corners.radius ? object : { ...object, corners: { ...object.corners, radius } }
}
