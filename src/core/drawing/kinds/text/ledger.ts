import type { Text } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Text> = {
  fields: () => [
    {
      id: 'size',
      what: 'the size',
      as: 'number',
      prefix: 'Size ',
      step: 0.5,
      limits: { least: 0, above: true, most: 1e5 },
      read: ({ size }) => size,
      write: (object, size) => ({ ...object, size }),
    },
    {
      id: 'spacing',
      what: 'the spacing',
      as: 'number',
      prefix: 'Spacing ',
      step: 0.1,
      limits: { least: -1e4, most: 1e4 },
      read: ({ spacing }) => spacing,
      write: (object, spacing) => ({ ...object, spacing }),
    },
  ],
}
