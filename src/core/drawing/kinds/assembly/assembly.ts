import { z } from 'zod'
import { boxUnion } from '../../../geometry/box'
import { pathBounds, segmentCount } from '../../../geometry/path'
import { combine } from '../../../planar/boolean'
import { Style } from '../../style'
import { defineKind } from '../kind'
import { visible } from '../members'
import { common, Role, type WithMembers } from '../traits'

/** A live combination: each member, in order, adds to, cuts, keeps the overlap with or flips what came before it. */
export const Assembly = z.strictObject({ kind: z.literal('assembly'), ...common, style: Style })
type Assembly = z.infer<typeof Assembly> & WithMembers

export const assembly = defineKind<Assembly>({
  kind: 'assembly',
  word: 'Assembly',
  schema: Assembly,
  hasMembers: true,
  combines: true,
  edge: ({ members }, scene) =>
    combine(visible(members).map((member) => ({ path: scene.edge(member), role: member.role ?? 'adds' }))),
  frame: (object, scene) =>
    pathBounds(scene.edge(object)) ?? boxUnion(object.members.map((member) => scene.box(member)))!,
  segments: () => 0,
  summary: (object, scene) => `${segmentCount(scene.edge(object))} segments`,
  lost: 'its members',
  any: ({ fc, members, plainStyle }) =>
    fc.record({
      style: plainStyle,
      members: fc
        .array(fc.constantFrom(...Role.options), { minLength: 1, maxLength: 3 })
        .chain((roles) => fc.tuple(...roles.map((role) => members(1, { role }))))
        .map((all) => all.flat()),
    }),
})
