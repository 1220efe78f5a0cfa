import { boxAround } from '../../../geometry/box'
import { pathBounds } from '../../../geometry/path'
import { applyTidy } from '../../../geometry/tidy'
import { finishedRun } from '../../scene/corners'
import type { NodeRun } from '../../model/node'
import { transformNode } from '../../model/node-transform'
import { hasOwnJoints, ownJointsOutline } from './own-joints'
import { filledRegions } from './regions'
import { type PathObject } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<PathObject> = {
  runs: ({ contours }) => contours,
  edge: (object, scene) => object.contours.flatMap((run) => finishedRun(object, run, scene)),
  filled: (object, edge) => (object.regions ? filledRegions(edge, object.regions) : edge),
  stroked: (object, edge, stroke, style) =>
    hasOwnJoints(object)
      ? ownJointsOutline(object, edge, { ...stroke, ...(style.side && { position: style.side }) })
      : null,
  frame: (object, scene) => pathBounds(scene.edge(object)) ?? boxAround(object.contours.flatMap((run) => run.nodes))!,
  // A corner shape other than an arc may extend beyond its sides.
  isSmaller: ({ cornerStyle, contours }) =>
    [cornerStyle, ...contours.flatMap(({ nodes }) => nodes.map((node) => node.cornerStyle))].some(
      (style) => style !== undefined && style !== 'round',
    ),
  transform: (object, map) => ({
    ...object,
    contours: object.contours.map((run) => ({ ...run, nodes: run.nodes.map((node) => transformNode(node, map)) })),
    ...(object.regions && { regions: object.regions.map((p) => applyTidy(map, p)) }),
    ...(object.trace && { trace: { ...object.trace, points: object.trace.points.map((p) => applyTidy(map, p)) } }),
  }),
  nodes: ({ contours }) => contours,
  // A path whose nodes were touched is no longer what the hand drew.
  fold({ trace, ...object }, contours) {
    return { ...object, ...(contours === object.contours && trace && { trace }), contours: contours as NodeRun[] }
  },
  lost: '',
}
