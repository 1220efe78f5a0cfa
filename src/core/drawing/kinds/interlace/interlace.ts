import { boxUnion } from '../../../geometry/box'
import { applyTidy } from '../../../geometry/tidy'
import { movedSignatures } from '../../model/signature'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { united } from '../together'
import { inkOf } from '../../evaluate/ink'
import type { Weight } from '../../model/style'
import { laced } from './laced'
import { Interlace } from './schema'

export const interlace = defineKind<Interlace>({
  kind: 'interlace',
  word: 'Interlace',
  schema: Interlace,
  hasMembers: true,
  edge: (object, scene) => united(laced(object, scene).shapes.flatMap(inkOf)),
  operand: (object, scene) => scene.edge(object),
  shapes: (object, scene) => laced(object, scene).shapes,
  frame: ({ members }, scene) => boxUnion(members.map((member) => scene.box(member)))!,
  isSmaller: () => true,
  transform: (object, map) => ({
    ...object,
    ...(object.flipped && { flipped: movedSignatures(object.flipped, map) }),
    ...(object.start && { start: applyTidy(map, object.start) }),
  }),
  withWeights(object, change) {
    if (object.gap === 0) return object
    const gap = change(object.gap)
    return gap === object.gap ? object : { ...object, gap }
  },
  times: () => 4,
  fields: () => FIELDS,
  summary(object, scene) {
    const { length } = laced(object, scene).crossings
    return length === 1 ? '1 crossing' : `${length} crossings`
  },
  lost: null,
  any: ({ fc, members, half, place }) =>
    fc.record(
      {
        order: fc.constantFrom('turns', 'next'),
        gap: fc.oneof(fc.constantFrom('fine', 0), half(1, 2)),
        flipped: fc.constant([{ key: 'one~two', at: { x: 3, y: 3 } }]),
        start: place,
        members: members(3),
      },
      { requiredKeys: ['order', 'gap', 'members'] },
    ),
})

const FIELDS: readonly Field<Interlace>[] = [
  {
    id: 'order',
    what: 'the order',
    as: 'choice',
    options: ['over and under', 'each over the next'],
    read: ({ order }) => (order === 'turns' ? 'over and under' : 'each over the next'),
    write: (object, way) => ({ ...object, order: way === 'over and under' ? 'turns' : 'next' }),
  },
  {
    id: 'gap',
    what: 'the gap',
    as: 'weight',
    least: 0,
    read: ({ gap }) => gap,
    write: (object, gap: Weight | 0) => ({ ...object, gap }),
  },
]
