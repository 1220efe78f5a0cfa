import { defineKind } from '../kind'
import { Ellipse } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { grips } from './grips'
import { fitting } from './fitting'

export const ellipse = defineKind<Ellipse>({
  kind: 'ellipse',
  word: 'Ellipse',
  schema: Ellipse,
  fills: 'ellipse',
  geometry,
  ledger,
  grips,
  fitting,
  cost: {
    segments: ({ hole }) => (hole ? 8 : 4),
  },
})
