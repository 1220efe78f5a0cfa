import { z } from 'zod'
import { boxUnion } from '../../../geometry/box'
import { isMirroring } from '../../model/frame'
import { ValueName } from '../../model/paint'
import type { Shape } from '../../evaluate/shape'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { together, united } from '../together'
import { common } from '../traits'
import { placing } from './placing'
import { linearOf, mapOf, movedPlacing, placed, sizedPlacing, sizeOf, withLinear } from './placed'

/** One use of a part. */
const Placement = z.strictObject({ kind: z.literal('placement'), ...common, part: ValueName, ...placing })
type Placement = z.infer<typeof Placement>

export const placement = defineKind<Placement>({
  kind: 'placement',
  word: 'Placement',
  schema: Placement,
  edge: (object, scene) => together(placed(object, scene).map((one) => scene.edge(one))),
  operand: (object, scene) => united(placed(object, scene).map((one) => scene.solid(one))),
  shapes(object, scene) {
    const shapes = placed(object, scene).flatMap((one) => scene.shapes(one))
    // All shapes belong to the placement.
    return shapes.map((shape): Shape => ({ ...shape, id: object.id }))
  },
  frame: (object, scene) => boxUnion(placed(object, scene).map((one) => scene.box(one)))!,
  isSmaller: () => true,
  transform: movedPlacing,
  part: ({ part }) => part,
  withPart: (object, part) => ({ ...object, part }),
  withColours(object, change) {
    const colours = object.colours?.map(({ from, to }) => ({ from: change(from), to: change(to) }))
    const isSame = colours?.every(
      ({ from, to }, i) => from === object.colours![i]!.from && to === object.colours![i]!.to,
    )
    return isSame === false ? { ...object, colours: colours! } : object
  },
  fields: () => FIELDS,
  summary: ({ part }) => part,
  loose: (object, scene) => placed(object, scene).map((of) => ({ of })),
  lost: null,
  any: ({ fc, place, half }) =>
    fc.record(
      {
        part: fc.constant('float'),
        at: place,
        map: fc.oneof(
          half(1, 2).map((scale) => [scale, 0, 0, scale]),
          fc.constant([0, 1, -1, 0]),
          fc.constant([-1, 0, 0, 1]),
        ),
        weights: fc.constant('scaled'),
        colours: fc.constant([{ from: 'ink', to: '#d5401b' }]),
      },
      { requiredKeys: ['part', 'at'] },
    ),
})

const FIELDS: readonly Field<Placement>[] = [
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
  {
    id: 'way round',
    what: 'the way round',
    as: 'choice',
    options: ['as drawn', 'flipped'],
    read: (object) => (isMirroring(mapOf(object)) ? 'flipped' : 'as drawn'),
    write(object, way) {
      const [a, b, c, d] = linearOf(object.map)
      return isMirroring(mapOf(object)) === (way === 'flipped') ? object : withLinear(object, [-a, -b, c, d])
    },
  },
  {
    id: 'weights',
    what: 'whether weights scale',
    as: 'choice',
    options: ['weights stay', 'weights scale'],
    read: ({ weights }) => (weights ? 'weights scale' : 'weights stay'),
    write: ({ weights: _, ...rest }, way) => (way === 'weights scale' ? { ...rest, weights: 'scaled' } : rest),
  },
]
