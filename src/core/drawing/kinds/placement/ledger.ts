import { isMirroring } from '../../model/frame'
import type { Field } from '../field'
import { linearOf, mapOf, withLinear } from './placed'
import { size } from './size-field'
import type { Placement } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Placement> = {
  fields: () => FIELDS,
  summary: ({ part }) => part,
}

const FIELDS: readonly Field<Placement>[] = [
  size(),
  {
    id: 'way round',
    what: 'the way round',
    as: 'choice',
    options: ['as drawn', 'flipped'],
    read: (object) => (isMirroring(mapOf(object)) ? 'flipped' : 'as drawn'),
    write(object, way) {
      const [a, b, c, d] = linearOf(object.map)
      return isMirroring(mapOf(object)) === (way === 'flipped') ? object : withLinear(object, [-a, -b, c, d])
    },
  },
  {
    id: 'weights',
    what: 'whether weights scale',
    as: 'choice',
    options: ['weights stay', 'weights scale'],
    read: ({ weights }) => (weights ? 'weights scale' : 'weights stay'),
    write: ({ weights: _, ...rest }, way) => (way === 'weights scale' ? { ...rest, weights: 'scaled' } : rest),
  },
]
