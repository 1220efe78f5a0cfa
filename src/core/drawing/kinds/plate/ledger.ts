import { sizedPlacing, sizeOf } from '../placement/placed'
import type { PlateObject } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<PlateObject> = {
  fields: () => [
    {
      id: 'size',
      what: 'the size',
      as: 'number',
      suffix: ' % size',
      step: 5,
      limits: { least: 1, most: 10_000 },
      read: (object) => sizeOf(object) * 100,
      write: (object, percent) => sizedPlacing(object, percent / 100),
    },
  ],
  summary: ({ plate: name }) => name,
}
