import { boxUnion } from '../../../geometry/box'
import { inkOfAll } from '../../scene/ink'
import { withStrokesOutlined as shapesOutlined } from '../../scene/stroke-outlines'
import type { Outlined } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Outlined> = {
  edge: ({ members }, scene) => inkOfAll(members.flatMap((member) => scene.shapes(member))),
  operand: (object, scene) => scene.edge(object),
  shapes: ({ members }, scene) => shapesOutlined(members.flatMap((member) => scene.shapes(member))),
  // Its size is that of its members.
  frame: ({ members }, scene) => boxUnion(members.map((member) => scene.box(member)))!,
  isSmaller: () => true,
  lost: null,
}
