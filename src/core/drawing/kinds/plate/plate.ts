import { z } from 'zod'
import { pathBounds } from '../../../geometry/path'
import { applyTidy, tidy } from '../../../geometry/tidy'
import { ValueName } from '../../paint'
import { PointXY } from '../../place'
import { platePath } from '../../plates'
import { Style } from '../../style'
import { defineKind } from '../kind'
import { common } from '../traits'

/** A plate of the rules behind a drawing, centred at a place; larger or smaller than it is there by a scale. */
const PlateObject = z.strictObject({
  kind: z.literal('plate'),
  ...common,
  plate: ValueName,
  at: PointXY,
  scale: z.number().positive().max(1000).optional(),
  style: Style,
})
export type PlateObject = z.infer<typeof PlateObject>

export const plate = defineKind<PlateObject>({
  kind: 'plate',
  word: 'Plate',
  schema: PlateObject,
  edge: ({ plate: name, at, scale }, scene) => platePath(scene.plate(name), at, scale),
  frame: (object, scene) => pathBounds(scene.edge(object))!,
  isEven: () => true,
  // A plate stays upright, whatever turns what lies on it.
  transform({ scale = 1, ...object }, [a, b, c, d, e, f]) {
    const next = tidy(scale * Math.sqrt(Math.abs(a * d - b * c)))
    return { ...object, at: applyTidy([a, b, c, d, e, f], object.at), ...(next !== 1 && next > 0 && { scale: next }) }
  },
  segments: () => 16,
  length: () => 4000,
  fields: () => [
    {
      id: 'scale',
      what: 'the scale',
      as: 'number',
      suffix: ' %',
      step: 5,
      limits: { least: 0, above: true, most: 10_000 },
      read: ({ scale = 1 }) => scale * 100,
      write: ({ scale: _, ...rest }, value) => (value === 100 ? rest : { ...rest, scale: value / 100 }),
    },
  ],
  plate: ({ plate: name }) => name,
  withPlate: (object, name) => ({ ...object, plate: name }),
  summary: ({ plate: name }) => name,
  lost: 'its plate of the rules',
  any: ({ fc, place, plainStyle }) =>
    fc.record(
      { plate: fc.constantFrom('disc', 'badge'), at: place, scale: fc.constantFrom(0.5, 2), style: plainStyle },
      { requiredKeys: ['plate', 'at', 'style'] },
    ),
})
