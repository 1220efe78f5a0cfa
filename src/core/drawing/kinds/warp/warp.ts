import { defineKind } from '../kind'
import { Warp } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { grips } from './grips'

export const warp = defineKind<Warp>({
  kind: 'warp',
  word: 'Warp',
  schema: Warp,
  hasMembers: true,
  geometry,
  ledger,
  grips,
  cost: {
    times: () => 4,
  },
})
