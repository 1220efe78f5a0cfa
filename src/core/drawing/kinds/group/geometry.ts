import { boxUnion } from '../../../geometry/box'
import { type Path, pathBounds } from '../../../geometry/path'
import { combine } from '../../../planar/boolean'
import type { Scene } from '../../scene/scene'
import { type Shape, withEffect } from '../../scene/shape'
import { underlapped } from '../../scene/underlap'
import { visible } from '../members'
import { together, united } from '../together'
import type { Thing } from '../../model/traits'
import { movedPlacing } from '../placement/placed'
import { clipped } from './clip'
import { type Mask, type Group } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Group> = {
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
  lost: null,
}

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
