import { defineKind } from '../kind'
import { Rectangle } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { grips } from './grips'
import { fitting } from './fitting'
import { references } from './references'

export const rectangle = defineKind<Rectangle>({
  kind: 'rectangle',
  word: 'Rectangle',
  schema: Rectangle,
  fills: 'sides',
  geometry,
  ledger,
  grips,
  fitting,
  references,
  cost: {
    segments: () => 8,
  },
})
