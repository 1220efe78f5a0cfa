import { defineKind } from '../kind'
import { distance } from '../../../geometry/point'
import { Line } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { grips } from './grips'
import { fitting } from './fitting'

export const line = defineKind<Line>({
  kind: 'line',
  word: 'Line',
  schema: Line,
  geometry,
  ledger,
  grips,
  fitting,
  cost: {
    segments: () => 1,
    length: ({ from, to }) => distance(from, to),
  },
})
