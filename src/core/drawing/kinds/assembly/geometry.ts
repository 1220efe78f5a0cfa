import { boxUnion } from '../../../geometry/box'
import { pathBounds } from '../../../geometry/path'
import { movedCorners } from '../../scene/result-corners'
import { assembled, finishedEdge, idleMembers, remarkedCorners } from './combined'
import { type Assembly } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Assembly> = {
  edge: finishedEdge,
  operand: finishedEdge,
  idle: (object, scene) => idleMembers(object, assembled(object, scene).effects),
  frame: (object, scene) =>
    pathBounds(scene.edge(object)) ?? boxUnion(object.members.map((member) => scene.box(member)))!,
  transform: (object, map) => (object.corners ? { ...object, corners: movedCorners(object.corners, map) } : object),
  withSignatures: remarkedCorners,
  lost: 'its members',
}
