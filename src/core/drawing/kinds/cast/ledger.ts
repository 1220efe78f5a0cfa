import { styleOf } from '../../scene/shared-style'
import { angle, type Field } from '../field'
import type { Cast } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Cast> = {
  fields: () => FIELDS,
}

const FIELDS: readonly Field<Cast>[] = [
  angle(),
  {
    id: 'length',
    what: 'the length',
    as: 'number',
    prefix: 'Length: ',
    zero: 'to edge',
    step: 1,
    limits: { least: 0, most: 10_000 },
    read: ({ length }) => length,
    write: (object, length) => ({ ...object, length }),
  },
  {
    id: 'strength',
    what: 'the strength',
    as: 'number',
    prefix: 'Strength ',
    suffix: ' %',
    step: 5,
    limits: { least: 0, most: 100 },
    read: (object, scene) => (styleOf(object, scene).fillOpacity ?? 1) * 100,
    write: (object, value, scene) => ({ ...object, style: { ...styleOf(object, scene), fillOpacity: value / 100 } }),
  },
  {
    id: 'edge',
    what: 'where it is cut',
    as: 'choice',
    options: ['cut by the plate', 'whole'],
    read: ({ whole }) => (whole ? 'whole' : 'cut by the plate'),
    write: ({ whole: _, ...rest }, way) => (way === 'whole' ? { ...rest, whole: true } : rest),
  },
  {
    id: 'end',
    what: 'how it ends',
    as: 'choice',
    options: ['flat', 'fading'],
    read: ({ fades }) => (fades ? 'fading' : 'flat'),
    write: ({ fades: _, ...rest }, way) => (way === 'fading' ? { ...rest, fades: true } : rest),
  },
]
