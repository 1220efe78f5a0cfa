import { share } from '../field'
import type { Arrow } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Arrow> = {
  fields: () => [share('head', 'Head', { least: 1, most: 100 }), share('shaft', 'Shaft', { least: 1, most: 100 })],
}
