import { defineKind } from '../kind'
import { Cast } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { fitting } from './fitting'
import { references } from './references'

export const cast = defineKind<Cast>({
  kind: 'cast',
  word: 'Cast',
  schema: Cast,
  hasMembers: true,
  stands: 'shade',
  geometry,
  ledger,
  fitting,
  references,
  cost: {
    segments: () => 0,
    times: () => 4,
  },
})
