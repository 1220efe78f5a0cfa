import type { Outlined } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Outlined> = {
  summary: ({ members }) => `strokes of ${members.length} outlined`,
}
