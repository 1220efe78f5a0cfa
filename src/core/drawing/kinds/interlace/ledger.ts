import type { Field } from '../field'
import type { Weight } from '../../model/style'
import { laced } from './laced'
import { type Interlace } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Interlace> = {
  fields: () => FIELDS,
  summary(object, scene) {
    const { length } = laced(object, scene).crossings
    return length === 1 ? '1 crossing' : `${length} crossings`
  },
}

const FIELDS: readonly Field<Interlace>[] = [
  {
    id: 'order',
    what: 'the order',
    as: 'choice',
    options: ['over and under', 'each over the next'],
    read: ({ order }) => (order === 'turns' ? 'over and under' : 'each over the next'),
    write: (object, way) => ({ ...object, order: way === 'over and under' ? 'turns' : 'next' }),
  },
  {
    id: 'gap',
    what: 'the gap',
    as: 'weight',
    least: 0,
    read: ({ gap }) => gap,
    write: (object, gap: Weight | 0) => ({ ...object, gap }),
  },
]
