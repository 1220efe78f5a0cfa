import { segmentCount } from '../../../geometry/path'
import { cornerChoice } from './corner-choice'
import { type Assembly } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Assembly> = {
  fields: ({ corners }) => (corners ? [cornerChoice] : []),
  summary: (object, scene) => `${segmentCount(scene.edge(object))} segments`,
}
