import { share } from '../field'
import type { Spiral } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Spiral> = {
  fields: () => [
    {
      id: 'turns',
      what: 'the turns',
      as: 'number',
      suffix: ' turns',
      step: 0.25,
      limits: { least: 0.25, most: 50 },
      read: ({ turns }) => turns,
      write: (object, turns) => ({ ...object, turns }),
    },
    share('inner', 'Inner', { least: 0, most: 99 }),
  ],
}
