import { defineKind } from '../kind'
import { Mirror } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { grips } from './grips'
import { fitting } from './fitting'

export const mirror = defineKind<Mirror>({
  kind: 'mirror',
  word: 'Mirror',
  schema: Mirror,
  hasMembers: true,
  geometry,
  ledger,
  grips,
  fitting,
  cost: {
    times: ({ folds, flip }) => folds * (flip ? 2 : 1),
  },
})
