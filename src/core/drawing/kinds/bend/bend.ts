import { defineKind } from '../kind'
import { Bend } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'

export const bend = defineKind<Bend>({
  kind: 'bend',
  word: 'Bend',
  schema: Bend,
  hasMembers: true,
  geometry,
  ledger,
  cost: {
    times: ({ strokes }) => 4 * strokes.length,
  },
})
