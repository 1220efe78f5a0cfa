import { boxUnion } from '../../../geometry/box'
import { pathBounds } from '../../../geometry/path'
import type { Transform } from '../../../geometry/transform'
import { countsByPlace, movedSignatures } from '../../model/signature'
import type { Shape } from '../../scene/shape'
import { underlapped } from '../../scene/underlap'
import type { Thing } from '../../model/traits'
import { united } from '../together'
import { type Patchwork } from './schema'
import { remarked, sweptPaths } from './swept'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Patchwork> = {
  edge: (object, scene) => united(sweptPaths(object, scene)),
  operand: (object, scene) => scene.edge(object),
  shapes(object, scene) {
    const paths = sweptPaths(object, scene)
    const shapes = object.swept.flatMap((one, i): readonly Shape[] =>
      scene.painted({ ...object, style: one.style, name: one.name } as Thing, paths[i]!),
    )
    return object.underlap ? underlapped(shapes, object.underlap) : shapes
  },
  frame: (object, scene) =>
    pathBounds(scene.edge(object)) ?? boxUnion(object.members.map((member) => scene.box(member)))!,
  transform: moved,
  withSignatures: remarked,
  lost: null,
}

/** A patchwork with its marks where a map takes them. */
function moved({ byPlace: before, ...object }: Patchwork, map: Transform): Patchwork {
  const byPlace = countsByPlace(before, map)
  return {
    ...object,
    swept: object.swept.map((shape) => ({ ...shape, patches: movedSignatures(shape.patches, map) })),
    ...(object.cut && { cut: movedSignatures(object.cut, map) }),
    ...(byPlace && { byPlace }),
  }
}
