import { defineKind } from '../kind'
import { Spiral } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { grips } from './grips'

export const spiral = defineKind<Spiral>({
  kind: 'spiral',
  word: 'Spiral',
  schema: Spiral,
  geometry,
  ledger,
  grips,
  cost: {
    segments: ({ turns }) => Math.ceil(4 * turns),
    length: ({ w, h, turns, skew = 0 }) => 2 * (w + h) * (1 + Math.abs(Math.tan((skew * Math.PI) / 180))) * turns,
  },
})
