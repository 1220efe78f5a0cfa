import { Join, type Weight } from '../../model/style'
import type { Field } from '../field'
import type { Inset } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Inset> = {
  fields: () => FIELDS,
}

const FIELDS: readonly Field<Inset>[] = [
  {
    id: 'distance',
    what: 'the distance',
    as: 'weight',
    read: ({ distance }) => distance,
    write: (object, distance: Weight) => ({ ...object, distance }),
  },
  {
    id: 'side',
    what: 'the side',
    as: 'choice',
    options: ['inside', 'outside', 'both'],
    read: ({ side }) => side,
    write: (object, side) => ({ ...object, side: side as Inset['side'] }),
  },
  {
    id: 'steps',
    what: 'the steps',
    as: 'number',
    suffix: '×',
    step: 1,
    limits: { least: 1, most: 60, whole: true },
    read: ({ steps }) => steps,
    write: (object, steps) => ({ ...object, steps }),
  },
  {
    id: 'join',
    what: 'the join',
    as: 'choice',
    options: ['by the rules', ...Join.options],
    read: ({ join }) => join ?? 'by the rules',
    write: ({ join: _, ...rest }, join) => (join === 'by the rules' ? rest : { ...rest, join: join as Join }),
  },
  {
    id: 'source',
    what: 'whether the source shows',
    as: 'choice',
    options: ['with source', 'without source'],
    read: ({ source }) => (source ? 'without source' : 'with source'),
    write: ({ source: _, ...rest }, option) => (option === 'with source' ? rest : { ...rest, source: 'hidden' }),
  },
]
