import type { PlateObject } from './schema'
import type { ReferencesFacet } from '../facets/references'

export const references: ReferencesFacet<PlateObject> = {
  plate: ({ plate: name }) => name,
  withPlate: (object, name) => ({ ...object, plate: name }),
}
