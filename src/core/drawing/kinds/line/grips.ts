import type { Line } from './schema'
import type { GripsFacet } from '../facets/grips'

export const grips: GripsFacet<Line> = {
  ends: ({ from, to }) => [from, to],
  withEnd: (object, end, to) => ({ ...object, [end === 0 ? 'from' : 'to']: to }),
}
