import { patchworkFields } from './fields'
import { type Patchwork } from './schema'
import { lostPatches } from './swept'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Patchwork> = {
  fields: patchworkFields,
  summary(object, scene) {
    const lost = lostPatches(object, scene).length
    const many = object.swept.length
    return `${many} ${many === 1 ? 'shape' : 'shapes'}${lost > 0 ? `, ${lost} lost` : ''}`
  },
}
