import { z } from 'zod'
import { pathBounds } from '../../../geometry/path'
import { ValueName } from '../../model/paint'
import { LinearMap, PointXY } from '../../model/place'
import { Finish } from '../../model/style'
import { defineKind } from '../kind'
import { movedPlacing, sizedPlacing, sizeOf } from '../placement/placed'
import { common } from '../traits'
import { laidPlate } from './laid'

/** A plate of the rules behind a drawing: its centre, and a linear map. */
const PlateObject = z.strictObject({
  kind: z.literal('plate'),
  ...common,
  plate: ValueName,
  at: PointXY,
  map: LinearMap.optional(),
  style: Finish,
})
type PlateObject = z.infer<typeof PlateObject>

export const plate = defineKind<PlateObject>({
  kind: 'plate',
  word: 'Plate',
  schema: PlateObject,
  stands: 'ground',
  cuts: ({ plate: name, at, map }) => ({ plate: name, at, ...(map && { map }) }),
  edge: (object, scene) => laidPlate(scene.plate(object.plate), object),
  frame: (object, scene) => pathBounds(scene.edge(object))!,
  transform: movedPlacing,
  segments: () => 16,
  length: () => 4000,
  fields: () => [
    {
      id: 'size',
      what: 'the size',
      as: 'number',
      suffix: ' % size',
      step: 5,
      limits: { least: 1, most: 10_000 },
      read: (object) => sizeOf(object) * 100,
      write: (object, percent) => sizedPlacing(object, percent / 100),
    },
  ],
  plate: ({ plate: name }) => name,
  withPlate: (object, name) => ({ ...object, plate: name }),
  summary: ({ plate: name }) => name,
  lost: 'its plate of the rules',
  any: ({ fc, place, plainStyle }) =>
    fc.record(
      {
        plate: fc.constantFrom('disc', 'badge'),
        at: place,
        map: fc.constantFrom([0.5, 0, 0, 0.5], [0, 2, -2, 0]),
        style: plainStyle,
      },
      { requiredKeys: ['plate', 'at', 'style'] },
    ),
})
