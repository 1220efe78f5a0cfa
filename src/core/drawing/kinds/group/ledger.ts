import { Mask, type Group } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Group> = {
  fields: () => [
    {
      id: 'mask',
      what: 'the mask',
      as: 'choice',
      options: ['no mask', ...Mask.options],
      read: ({ mask }) => mask ?? 'no mask',
      write: ({ mask: _, ...rest }, mask) => (mask === 'no mask' ? rest : { ...rest, mask: mask as Mask }),
    },
    {
      id: 'underlap',
      what: 'the underlap',
      as: 'number',
      prefix: 'Underlap ',
      step: 0.05,
      limits: { least: 0, most: 100 },
      read: ({ underlap }) => underlap ?? 0,
      write: ({ underlap: _, ...rest }, value) => (value > 0 ? { ...rest, underlap: value } : rest),
    },
  ],
  summary: ({ members, opened }) => (opened ? `part ${opened.part}, open` : `${members.length} inside`),
}
