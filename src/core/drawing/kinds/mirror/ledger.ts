import { angle } from '../field'
import type { Mirror } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Mirror> = {
  fields: () => [
    {
      id: 'images',
      what: 'the images',
      as: 'choice',
      options: ['flipped', 'turned'],
      read: ({ flip }) => (flip ? 'flipped' : 'turned'),
      write: (object, way) => ({ ...object, flip: way === 'flipped' }),
    },
    {
      id: 'folds',
      what: 'the folds',
      as: 'number',
      suffix: '×',
      step: 1,
      limits: { least: 1, most: 120, whole: true },
      read: ({ folds }) => folds,
      write: (object, folds) => ({ ...object, folds }),
    },
    angle(),
  ],
}
