import { type Field, smoothness } from '../field'
import { type PathObject } from './schema'
import { traced } from './trace'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<PathObject> = {
  fields: ({ trace }) => (trace ? [SMOOTHNESS] : []),
  summary({ contours }) {
    const count = contours.reduce((sum, run) => sum + run.nodes.length, 0)
    return `${count} nodes${contours.every(({ closed }) => closed) ? '' : ', open'}`
  },
}

const SMOOTHNESS: Field<PathObject> = smoothness({
  read: ({ trace }) => trace?.smoothness ?? 0,
  write: (object, value) => (object.trace ? { ...object, ...traced({ ...object.trace, smoothness: value }) } : object),
})
