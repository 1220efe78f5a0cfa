import { boxUnion } from '../../../geometry/box'
import { pathBounds, segmentCount } from '../../../geometry/path'
import { movedCorners } from '../../evaluate/result-corners'
import type { Radius } from '../../model/style'
import { defineKind } from '../kind'
import { Role } from '../traits'
import { assembled, finishedEdge, idleMembers, remarkedCorners } from './combined'
import { cornerChoice } from './corner-choice'
import { Assembly } from './schema'

export const assembly = defineKind<Assembly>({
  kind: 'assembly',
  word: 'Assembly',
  schema: Assembly,
  hasMembers: true,
  combines: true,
  rounds: true,
  edge: finishedEdge,
  operand: finishedEdge,
  idle: (object, scene) => idleMembers(object, assembled(object, scene).effects),
  frame: (object, scene) =>
    pathBounds(scene.edge(object)) ?? boxUnion(object.members.map((member) => scene.box(member)))!,
  transform: (object, map) => (object.corners ? { ...object, corners: movedCorners(object.corners, map) } : object),
  // Picked corners are known by their places.
  fit: (object) => (object.corners?.picked ? null : object),
  withSignatures: remarkedCorners,
  withRadii: (object, change) => withResultRadius(object, change),
  segments: () => 0,
  fields: ({ corners }) => (corners ? [cornerChoice] : []),
  summary: (object, scene) => `${segmentCount(scene.edge(object))} segments`,
  lost: 'its members',
  any: ({ fc, members, plainStyle, radius }) =>
    fc.record(
      {
        style: plainStyle,
        corners: fc.record(
          {
            radius,
            style: fc.constantFrom('bevel', 'scoop'),
            only: fc.constantFrom('inner', 'outer', 'picked'),
            picked: fc.constant([{ key: 'rec-1/0/0 rec-2/0/3', at: { x: 4, y: 5 } }]),
          },
          { requiredKeys: ['radius'] },
        ),
        members: fc
          .array(fc.constantFrom(...Role.options), { minLength: 1, maxLength: 3 })
          .chain((roles) => fc.tuple(...roles.map((role) => members(1, { role }))))
          .map((all) => all.flat()),
      },
      { requiredKeys: ['style', 'members'] },
    ),
})

function withResultRadius(object: Assembly, change: (radius: Radius) => Radius): Assembly {
  if (!object.corners) return object
  const radius = change(object.corners.radius)
  return radius === object.corners.radius ? object : { ...object, corners: { ...object.corners, radius } }
}
