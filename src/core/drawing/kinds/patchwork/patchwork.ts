import { defineKind } from '../kind'
import { Patchwork } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { references } from './references'

export const patchwork = defineKind<Patchwork>({
  kind: 'patchwork',
  word: 'Patchwork',
  schema: Patchwork,
  hasMembers: true,
  geometry,
  ledger,
  references,
  cost: {
    segments: () => 0,
  },
})
