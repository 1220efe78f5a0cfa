import { share } from '../field'
import type { Arrow } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Arrow> = {
  fields: () => [share('head', 'head', { least: 1, most: 100 }), share('shaft', 'shaft', { least: 1, most: 100 })],
}
