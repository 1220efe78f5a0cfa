import { z } from 'zod'
import { boxUnion } from '../../../geometry/box'
import type { Path } from '../../../geometry/path'
import { isMirroring } from '../../model/frame'
import { offset } from '../../../outline/offset'
import { offsetOpen } from '../../../outline/offset-open'
import type { Memory, Scene } from '../../evaluate/scene'
import type { Shape } from '../../evaluate/shape'
import { Finish, Join, type Weight, Weight as WeightSchema } from '../../model/style'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { visible } from '../members'
import { together, united } from '../together'
import { common, hasStyle, type WithMembers } from '../traits'

/**
 * Live insets and outsets: one or several lines at a distance inside or around the members, each a step further. For
 * open lines the right side (inside), the left side (outside) or both. The members are painted too, unless the source
 * is hidden. `flipped` swaps the sides of open lines.
 */
const Inset = z.strictObject({
  kind: z.literal('inset'),
  ...common,
  distance: WeightSchema,
  side: z.enum(['inside', 'outside', 'both']),
  steps: z.int().min(1).max(60),
  join: Join.optional(),
  source: z.literal('hidden').optional(),
  flipped: z.literal(true).optional(),
  style: Finish,
})
type Inset = z.infer<typeof Inset> & WithMembers

export const inset = defineKind<Inset>({
  kind: 'inset',
  word: 'Inset',
  schema: Inset,
  hasMembers: true,
  edge(object, scene) {
    const { inner, area, outer } = rings(object, scene)
    const all = [...outer.toReversed(), ...(object.source ? [] : [area]), ...inner]
    return together([all[0]!, ...all.slice(1).map((path) => path.filter(({ closed }) => !closed))])
  },
  operand: (object, scene) => scene.edge(object).filter(({ closed }) => closed),
  shapes(object, scene) {
    const { inner, outer } = rings(object, scene)
    const drawn = (paths: readonly Path[]): Shape[] => paths.flatMap((path) => scene.painted(object, path))
    return [
      ...drawn(outer.toReversed()),
      ...(object.source ? [] : object.members.flatMap((member) => scene.shapes(member))),
      ...drawn(inner),
    ]
  },
  // Its size is that of its members.
  frame: ({ members }, scene) => boxUnion(members.map((member) => scene.box(member)))!,
  isSmaller: () => true,
  transform: ({ flipped, ...object }, map) =>
    isMirroring(map) !== (flipped === true) ? { ...object, flipped: true } : object,
  fit: (object) => object,
  withWeights(object, change) {
    const distance = change(object.distance)
    return distance === object.distance ? object : { ...object, distance }
  },
  segments: () => 0,
  times: ({ steps, side }) => 3 * steps * (side === 'both' ? 2 : 1) + 1,
  fields: () => FIELDS,
  lost: null,
  any: ({ fc, members, half, plainStyle }) =>
    fc.record(
      {
        distance: fc.oneof(fc.constantFrom('main', 'fine'), half(1, 3)),
        side: fc.constantFrom('inside', 'outside', 'both'),
        steps: fc.integer({ min: 1, max: 2 }),
        join: fc.constantFrom('miter', 'round', 'bevel'),
        source: fc.constant('hidden'),
        members: members(2),
        style: plainStyle,
      },
      { requiredKeys: ['distance', 'side', 'steps', 'members', 'style'] },
    ),
})

/** The rings inside and around the members, from the nearest on, and the members' own area. */
const rings = (object: Inset, scene: Scene): Rings => scene.remembered(memory, object, () => computed(object, scene))

type Rings = { readonly inner: readonly Path[]; readonly area: Path; readonly outer: readonly Path[] }
const memory: Memory<Rings> = new WeakMap()

function computed(object: Inset, scene: Scene): Rings {
  const { members, side, steps, join = scene.join } = object
  const lines: Path[number][] = [],
    areas: Path[] = []
  for (const member of visible(members)) {
    const isLine = hasStyle(member) && !('members' in member) && member.by !== 'ink'
    const edge = isLine ? scene.edge(member) : []
    const open = edge.filter(({ closed }) => !closed)
    lines.push(...open)
    areas.push(open.length > 0 ? edge.filter(({ closed }) => closed) : scene.solid(member))
  }
  const area = united(areas)
  const joined = { join, miterLimit: scene.miterLimit }
  const at = (away: number): Path => [
    ...offset(area, away, joined),
    ...offsetOpen(lines, object.flipped ? -away : away, joined),
  ]
  const distance = scene.weight(object.distance)
  const away = Array.from({ length: steps }, (_, i) => distance * (i + 1))
  return {
    inner: side === 'outside' ? [] : away.map((one) => at(-one)),
    area,
    outer: side === 'inside' ? [] : away.map(at),
  }
}

const FIELDS: readonly Field<Inset>[] = [
  {
    id: 'distance',
    what: 'the distance',
    as: 'weight',
    read: ({ distance }) => distance,
    write: (object, distance: Weight) => ({ ...object, distance }),
  },
  {
    id: 'side',
    what: 'the side',
    as: 'choice',
    options: ['inside', 'outside', 'both'],
    read: ({ side }) => side,
    write: (object, side) => ({ ...object, side: side as Inset['side'] }),
  },
  {
    id: 'steps',
    what: 'the steps',
    as: 'number',
    suffix: '×',
    step: 1,
    limits: { least: 1, most: 60, whole: true },
    read: ({ steps }) => steps,
    write: (object, steps) => ({ ...object, steps }),
  },
  {
    id: 'join',
    what: 'the join',
    as: 'choice',
    options: ['by the rules', ...Join.options],
    read: ({ join }) => join ?? 'by the rules',
    write: ({ join: _, ...rest }, join) => (join === 'by the rules' ? rest : { ...rest, join: join as Join }),
  },
  {
    id: 'source',
    what: 'whether the source shows',
    as: 'choice',
    options: ['with source', 'without source'],
    read: ({ source }) => (source ? 'without source' : 'with source'),
    write: ({ source: _, ...rest }, option) => (option === 'with source' ? rest : { ...rest, source: 'hidden' }),
  },
]
