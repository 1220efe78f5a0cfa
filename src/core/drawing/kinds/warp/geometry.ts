import { boxUnion } from '../../../geometry/box'
import { type Path, pathBounds } from '../../../geometry/path'
import { tidy } from '../../../geometry/tidy'
import { compose } from '../../../geometry/transform'
import { carried, carriedPath } from '../../scene/carried'
import type { Scene } from '../../scene/scene'
import { visible } from '../members'
import { together, united } from '../together'
import { type Warp } from './schema'
import { spaceOf, warping } from './space'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Warp> = {
  edge: (object, scene) => together(bent(object, scene, (member) => scene.edge(member))),
  operand: (object, scene) => united(bent(object, scene, (member) => scene.solid(member))),
  shapes(object, scene) {
    const shapes = object.members.flatMap((member) => scene.shapes(member))
    const map = warping(object)
    return map ? carried(shapes, map, 'kept', scene.tolerance) : shapes
  },
  frame: (object, scene) =>
    pathBounds(scene.edge(object)) ?? boxUnion(object.members.map((member) => scene.box(member)))!,
  transform: (object, map) => ({ ...object, space: compose(map, spaceOf(object)).map(tidy) }),
  lost: null,
}

const bent = (object: Warp, scene: Scene, of: (member: Warp['members'][number]) => Path): Path[] => {
  const map = warping(object)
  return visible(object.members).map((member) => (map ? carriedPath(of(member), map, scene.tolerance) : of(member)))
}
