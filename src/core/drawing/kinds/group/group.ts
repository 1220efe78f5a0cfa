import { z } from 'zod'
import { boxUnion } from '../../../geometry/box'
import { type Path, pathBounds } from '../../../geometry/path'
import { combine } from '../../../planar/boolean'
import type { Scene } from '../../evaluate/scene'
import { ValueName } from '../../model/paint'
import { type Shape, withEffect } from '../../evaluate/shape'
import { underlapped } from '../../evaluate/underlap'
import { defineKind } from '../kind'
import { visible } from '../members'
import { together, united } from '../together'
import { common, type Thing, type WithMembers } from '../traits'
import { movedPlacing } from '../placement/placed'
import { placing } from '../placement/placing'
import { clipped } from './clip'

/**
 * With a `mask` the front member is not painted but says where the others are: in it, out of it, or as far as its own
 * paint is opaque (`fade`).
 */
export const Mask = z.enum(['inside', 'outside', 'fade'])
export type Mask = z.infer<typeof Mask>

export const Group = z.strictObject({
  kind: z.literal('group'),
  ...common,
  mask: Mask.optional(),
  /** By how much each member is drawn on beneath those above it. */
  underlap: z.number().min(0).max(100).optional(),
  /** The placement that was opened to edit its part here, until it is put back. */
  opened: z.strictObject({ part: ValueName, ...placing }).optional(),
})
type Group = z.infer<typeof Group> & WithMembers

export const group = defineKind<Group>({
  kind: 'group',
  word: 'Group',
  schema: Group,
  hasMembers: true,
  isMask: ({ mask }) => mask !== undefined,
  underlap: ({ underlap = 0 }) => underlap,
  withUnderlap: (object, underlap) => ({ ...object, underlap }),
  edge: (object, scene) => joined(object, (member) => scene.edge(member)),
  operand: (object, scene) => joined(object, (member) => scene.solid(member)),
  shapes(object, scene) {
    if (object.mask) return masked(object, object.mask, scene)
    const shapes = object.members.flatMap((member) => scene.shapes(member))
    return object.underlap ? underlapped(shapes, object.underlap) : shapes
  },
  frame: (object, scene) =>
    (object.mask && pathBounds(scene.edge(object))) || boxUnion(object.members.map((member) => scene.box(member)))!,
  transform: (object, map) => (object.opened ? { ...object, opened: movedPlacing(object.opened, map) } : object),
  fit: (object) => (object.opened ? null : object),
  part: ({ opened }) => opened?.part,
  withPart: (object, part) => (object.opened ? { ...object, opened: { ...object.opened, part } } : object),
  fields: () => [
    {
      id: 'mask',
      what: 'the mask',
      as: 'choice',
      options: ['no mask', ...Mask.options],
      read: ({ mask }) => mask ?? 'no mask',
      write: ({ mask: _, ...rest }, mask) => (mask === 'no mask' ? rest : { ...rest, mask: mask as Mask }),
    },
    {
      id: 'underlap',
      what: 'the underlap',
      as: 'number',
      suffix: ' under',
      step: 0.05,
      limits: { least: 0, most: 100 },
      read: ({ underlap }) => underlap ?? 0,
      write: ({ underlap: _, ...rest }, value) => (value > 0 ? { ...rest, underlap: value } : rest),
    },
  ],
  summary: ({ members, opened }) => (opened ? `part ${opened.part}, open` : `${members.length} inside`),
  lost: null,
  any: ({ fc, members }) =>
    fc.record(
      { members: members(3), mask: fc.constantFrom('inside', 'outside', 'fade'), underlap: fc.constant(0.1) },
      { requiredKeys: ['members'] },
    ),
})

/** The areas of a group's members as one, as far as its mask leaves them. */
function joined({ members, mask }: Group, area: (member: Thing) => Path): Path {
  const seen = visible(members).map(area)
  const front = mask && seen.pop()
  if (!front) return together(seen)
  return combine([
    { path: united(seen), role: 'adds' },
    { path: front, role: mask === 'outside' ? 'cuts' : 'overlap' },
  ])
}

/** What a group's mask leaves of its members. */
function masked({ members }: Group, mask: Mask, scene: Scene): readonly Shape[] {
  const seen = visible(members),
    front = seen.at(-1)
  if (!front || seen.length < 2) return []
  const shapes = seen.slice(0, -1).flatMap((member) => scene.shapes(member))
  return mask === 'fade' ? withEffect(shapes, 1, scene.shapes(front)) : clipped(shapes, scene.edge(front), mask)
}
