import type { Cast } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<Cast> = {
  plate: ({ cut }) => cut?.plate,
  withPlate: (object, plate) => (object.cut ? { ...object, cut: { ...object.cut, plate } } : object),
}
