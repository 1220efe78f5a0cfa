import type { Field } from '../field'
import type { Ellipse } from './schema'
import { isPart } from './geometry'
import type { LedgerFacet } from '../facets/ledger'

const TURN = { least: -360, most: 360 } as const

export const ledger: LedgerFacet<Ellipse> = {
  fields: (object) => [
    {
      id: 'part',
      what: 'the part',
      as: 'choice',
      options: ['whole', 'pie', 'chord', 'open'],
      read: (one) => (isPart(one) ? (one.cut ?? 'pie') : 'whole'),
      write: (one, cut) => withPart(one, { cut: cut as Part['cut'] }),
    },
    ...(isPart(object) ? [angle('from', 'the start'), angle('to', 'the end')] : [HOLE]),
  ],
}

const HOLE: Field<Ellipse> = {
  id: 'hole',
  what: 'the hole',
  as: 'number',
  prefix: 'Hole ',
  suffix: ' %',
  step: 1,
  limits: { least: 0, most: 99 },
  read: ({ hole = 0 }) => hole * 100,
  write: (object, value) => withPart(object, { hole: value / 100 }),
}

const angle = (key: 'from' | 'to', what: string): Field<Ellipse> => ({
  id: key,
  what,
  as: 'number',
  suffix: '°',
  step: 1,
  limits: TURN,
  read: (object) => object[key] ?? 0,
  write: (object, value) => withPart(object, { [key]: value }),
})

type Part = { cut?: 'whole' | 'pie' | 'chord' | 'open'; from?: number; to?: number; hole?: number }

/** An ellipse with another part: its cut, its start and end angle (degrees), and its hole (a share). */
export function withPart(object: Ellipse, change: Part): Ellipse {
  const { from = 0, to = 270, cut, hole, ...rest } = { ...object, ...change }
  const kept: Ellipse = { ...rest, ...(hole && { hole }) } as Ellipse
  const part = change.cut ? change.cut !== 'whole' : object.from !== undefined
  return part ? { ...kept, from, to, cut: cut === undefined || cut === 'whole' ? 'pie' : cut } : kept
}
