import { defineKind } from '../kind'
import { Assembly } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { fitting } from './fitting'
import { references } from './references'

export const assembly = defineKind<Assembly>({
  kind: 'assembly',
  word: 'Assembly',
  schema: Assembly,
  hasMembers: true,
  combines: true,
  rounds: true,
  geometry,
  ledger,
  fitting,
  references,
  cost: {
    segments: () => 0,
  },
})
