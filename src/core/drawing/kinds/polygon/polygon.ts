import { defineKind } from '../kind'
import { Polygon } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { grips } from './grips'
import { references } from './references'

export const polygon = defineKind<Polygon>({
  kind: 'polygon',
  word: 'Polygon',
  schema: Polygon,
  geometry,
  ledger,
  grips,
  references,
  cost: {
    segments: ({ sides, side, depth }) => sides * 2 * (1 + (side?.nodes.length ?? (depth ? 1 : 0))),
    length: ({ w, h, skew = 0, sides, depth, side }) =>
      2 *
      (w + h) *
      (1 + Math.abs(Math.tan((skew * Math.PI) / 180))) *
      (depth || side ? sides / 2 : 1) *
      (1 + (side?.nodes.length ?? 0)),
  },
})
