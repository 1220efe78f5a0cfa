import { type Box, boxUnion } from '../../../geometry/box'
import { pathBounds } from '../../../geometry/path'
import { distance } from '../../../geometry/point'
import { applyTidy } from '../../../geometry/tidy'
import { along, type Bending } from '../../../outline/warp'
import { carried, carriedPath } from '../../scene/carried'
import { type NodeRun } from '../../model/node'
import { transformNode } from '../../model/node-transform'
import { contourOf } from '../../model/nodes'
import type { Scene } from '../../scene/scene'
import { visible } from '../members'
import { together, united } from '../together'
import type { Bend } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Bend> = {
  edge: (object, scene) =>
    together(
      bendings(object).flatMap((bending) =>
        visible(object.members).map((member) => carriedPath(scene.edge(member), bending, scene.tolerance)),
      ),
    ),
  operand: (object, scene) =>
    united(
      bendings(object).flatMap((bending) =>
        visible(object.members).map((member) => carriedPath(scene.solid(member), bending, scene.tolerance)),
      ),
    ),
  shapes(object, scene) {
    const shapes = object.members.flatMap((member) => scene.shapes(member))
    return bendings(object).flatMap((bending) => carried(shapes, bending, 'bent', scene.tolerance))
  },
  frame: drawnBox,
  isSmaller: () => true,
  isEven: () => true,
  transform: (object, map) => ({
    ...object,
    base: { from: applyTidy(map, object.base.from), to: applyTidy(map, object.base.to) },
    strokes: object.strokes.map(({ run, trace, ...how }) => ({
      ...how,
      run: { ...run, nodes: run.nodes.map((node) => transformNode(node, map)) },
      ...(trace && { trace: { ...trace, points: trace.points.map((p) => applyTidy(map, p)) } }),
    })),
  }),
  nodes: ({ strokes }) => strokes.map(({ run }) => run),
  // A stroke whose nodes were touched is no longer what the hand drew.
  fold: (object, contours) =>
    contours.length === 0
      ? null
      : {
          ...object,
          strokes: contours.map((run, i) => {
            const { lies } = (contours.length === object.strokes.length && object.strokes[i]) || {}
            return object.strokes.find((one) => one.run === run) ?? { run: run as NodeRun, ...(lies && { lies }) }
          }),
        },
  lost: null,
}

/** The box of the result; of the members if that is empty. */
function drawnBox(object: Bend, scene: Scene): Box {
  return pathBounds(scene.edge(object)) ?? boxUnion(object.members.map((member) => scene.box(member)))!
}

/** The map along each stroke that is long enough to be one. */
function bendings({ base, strokes, width }: Bend): Bending[] {
  if (distance(base.from, base.to) < 1e-6) return []
  return strokes.flatMap(({ run, lies }) => {
    const contour = contourOf(run)
    if (!contour.segments.some(({ from, to }) => distance(from, to) > 1e-6)) return []
    const isReversed = lies === 'reversed' || lies === 'both',
      isFlipped = lies === 'flipped' || lies === 'both'
    return [along(contour, isReversed ? { from: base.to, to: base.from } : base, isFlipped ? -width : width)]
  })
}
