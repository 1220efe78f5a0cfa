import { type Radius } from '../../model/style'
import type { Rectangle } from './schema'
import { alike } from './geometry'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Rectangle> = {
  fields: () => [
    {
      id: 'corners',
      what: 'the corners',
      as: 'radii',
      places: [
        { at: 0, word: 'top left' },
        { at: 1, word: 'top right' },
        { at: 3, word: 'bottom left' },
        { at: 2, word: 'bottom right' },
      ],
      read: ({ corners }) => corners ?? null,
      alike: ({ corner }) => corner,
      write: oneCorner,
      reset: alike,
    },
  ],
}

export const oneCorner = (object: Rectangle, i: number, corner: Radius): Rectangle => ({
  ...object,
  corners: Array.from({ length: 4 }, (_, k) => (k === i ? corner : (object.corners?.[k] ?? object.corner))),
})
