import { defineKind } from '../kind'
import { Outlined } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { fitting } from './fitting'

export const outlined = defineKind<Outlined>({
  kind: 'outlined',
  word: 'Outlines',
  schema: Outlined,
  hasMembers: true,
  geometry,
  ledger,
  fitting,
  cost: {
    // A stroke has two sides, with caps and joins between.
    times: () => 3,
  },
})
