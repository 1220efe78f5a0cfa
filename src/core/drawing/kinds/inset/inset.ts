import { defineKind } from '../kind'
import { Inset } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { fitting } from './fitting'
import { references } from './references'

export const inset = defineKind<Inset>({
  kind: 'inset',
  word: 'Inset',
  schema: Inset,
  hasMembers: true,
  geometry,
  ledger,
  fitting,
  references,
  cost: {
    segments: () => 0,
    times: ({ steps, side }) => 3 * steps * (side === 'both' ? 2 : 1) + 1,
  },
})
