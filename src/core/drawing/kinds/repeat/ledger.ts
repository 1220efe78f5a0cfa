import { repeatFields } from './fields'
import { type Repeat } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Repeat> = {
  fields: repeatFields,
}
