import { boxUnion } from '../../../geometry/box'
import { applyTidy } from '../../../geometry/tidy'
import { movedSignatures } from '../../model/signature'
import { united } from '../together'
import { inkOf } from '../../scene/ink'
import { laced } from './laced'
import { type Interlace } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Interlace> = {
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
  lost: null,
}
