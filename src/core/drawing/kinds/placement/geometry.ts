import { boxUnion } from '../../../geometry/box'
import type { Shape } from '../../scene/shape'
import { together, united } from '../together'
import { movedPlacing, placed } from './placed'
import type { Placement } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Placement> = {
  edge: (object, scene) => together(placed(object, scene).map((one) => scene.edge(one))),
  operand: (object, scene) => united(placed(object, scene).map((one) => scene.solid(one))),
  shapes(object, scene) {
    const shapes = placed(object, scene).flatMap((one) => scene.shapes(one))
    // All shapes belong to the placement.
    return shapes.map((shape): Shape => ({ ...shape, id: object.id }))
  },
  frame: (object, scene) => boxUnion(placed(object, scene).map((one) => scene.box(one)))!,
  isSmaller: () => true,
  transform: movedPlacing,
  loose: (object, scene) => placed(object, scene).map((of) => ({ of })),
  lost: null,
}
