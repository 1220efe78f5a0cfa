import { defineKind } from '../kind'
import { countOf } from './places'
import { Repeat } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { grips } from './grips'
import { fitting } from './fitting'

export const repeat = defineKind<Repeat>({
  kind: 'repeat',
  word: 'Repeat',
  schema: Repeat,
  hasMembers: true,
  geometry,
  ledger,
  grips,
  fitting,
  cost: {
    times: ({ course }) => countOf(course),
  },
})
