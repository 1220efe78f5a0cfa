import { size } from '../placement/size-field'
import type { PlateObject } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<PlateObject> = {
  fields: () => [size()],
  summary: ({ plate: name }) => name,
}
