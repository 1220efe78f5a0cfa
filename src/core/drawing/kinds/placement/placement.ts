import { defineKind } from '../kind'
import { Placement } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { references } from './references'

export const placement = defineKind<Placement>({
  kind: 'placement',
  word: 'Placement',
  schema: Placement,
  geometry,
  ledger,
  references,
})
