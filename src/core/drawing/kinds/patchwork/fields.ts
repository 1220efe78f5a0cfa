import type { Field } from '../field'
import type { Patchwork } from './schema'

export const patchworkFields = (): Field<Patchwork>[] => [
  {
    id: 'lines',
    what: 'which lines make patches',
    as: 'choice',
    options: ['centre lines', 'edges of ink'],
    read: ({ take }) => (take ? 'edges of ink' : 'centre lines'),
    write: ({ take: _, ...rest }, way) => (way === 'edges of ink' ? { ...rest, take: 'ink' } : rest) as Patchwork,
  },
  {
    id: 'gaps',
    what: 'the gaps that are closed',
    as: 'number',
    prefix: 'Close gaps up to ',
    step: 0.05,
    limits: { least: 0, most: 100 },
    read: ({ close }) => close ?? 0,
    write: ({ close: _, ...rest }, value) => (value > 0 ? { ...rest, close: value } : rest) as Patchwork,
  },
  {
    id: 'underlap',
    what: 'the underlap',
    as: 'number',
    prefix: 'Underlap ',
    step: 0.05,
    limits: { least: 0, most: 100 },
    read: ({ underlap }) => underlap ?? 0,
    write: ({ underlap: _, ...rest }, value) => (value > 0 ? { ...rest, underlap: value } : rest) as Patchwork,
  },
]
