import { defineKind } from '../kind'
import { Interlace } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { references } from './references'

export const interlace = defineKind<Interlace>({
  kind: 'interlace',
  word: 'Interlace',
  schema: Interlace,
  hasMembers: true,
  geometry,
  ledger,
  references,
  cost: {
    times: () => 4,
  },
})
