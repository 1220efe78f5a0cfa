import { defineKind } from '../kind'
import { PlateObject } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { references } from './references'

export const plate = defineKind<PlateObject>({
  kind: 'plate',
  word: 'Plate',
  schema: PlateObject,
  stands: 'ground',
  geometry,
  ledger,
  references,
  cost: {
    segments: () => 16,
    length: () => 4000,
  },
})
