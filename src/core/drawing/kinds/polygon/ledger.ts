import type { Field } from '../field'
import { type Polygon } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Polygon> = {
  fields: (object) => [SIDES(object), object.side ? OWN_SIDES : DEPTH, CIRCLE],
}

const SIDES = ({ depth }: Polygon): Field<Polygon> => ({
  id: 'sides',
  what: 'the sides',
  as: 'number',
  suffix: depth ? ' points' : ' sides',
  step: 1,
  limits: { least: 3, most: 120, whole: true },
  read: ({ sides }) => sides,
  write: (object, sides) => ({ ...object, sides }),
})

const DEPTH: Field<Polygon> = {
  id: 'depth',
  what: 'the depth',
  as: 'number',
  prefix: 'Depth ',
  suffix: ' %',
  step: 1,
  limits: { least: 0, most: 99 },
  read: ({ depth = 0 }) => depth * 100,
  write: (object, value) => withDepth(object, value / 100),
}

const OWN_SIDES: Field<Polygon> = {
  id: 'own sides',
  what: 'the sides',
  as: 'reset',
  word: 'own sides',
  title: 'Make the sides plain again',
  write: (object) => withDepth(object, 0),
}

/** The width of the circle it stands in; it grows about its centre, in proportion. */
const CIRCLE: Field<Polygon> = {
  id: 'circle',
  what: 'the circle',
  as: 'number',
  suffix: ' ⌀',
  limits: { least: 0, above: true, most: 1e6 },
  read: ({ w }) => w,
  write(object, w) {
    const h = object.w > 0 ? (object.h * w) / object.w : w
    return { ...object, x: object.x - (w - object.w) / 2, y: object.y - (h - object.h) / 2, w, h }
  },
}

function withDepth({ depth: _, side: __, ...rest }: Polygon, depth: number): Polygon {
  return depth > 0 ? { ...rest, depth } : rest
}
