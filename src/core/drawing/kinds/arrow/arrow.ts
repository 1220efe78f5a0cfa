import { defineKind } from '../kind'
import { Arrow } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { grips } from './grips'

export const arrow = defineKind<Arrow>({
  kind: 'arrow',
  word: 'Arrow',
  schema: Arrow,
  geometry,
  ledger,
  grips,
  cost: {
    segments: () => 14,
  },
})
