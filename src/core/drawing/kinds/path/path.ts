import { boxAround } from '../../../geometry/box'
import { pathBounds } from '../../../geometry/path'
import { distance } from '../../../geometry/point'
import { applyTidy } from '../../../geometry/tidy'
import { finishedRun, withNodeRadii } from '../../evaluate/corners'
import { fittedPlace } from '../../edit/fitting'
import type { Node, NodeRun } from '../../model/node'
import { transformNode } from '../../edit/node-transform'
import { contourOf } from '../../model/nodes'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { fittedRun } from './fitted-run'
import { hasOwnJoints, ownJointsOutline } from './own-joints'
import { filledRegions } from './regions'
import { PathObject } from './schema'
import { traced } from './trace'

export type { PathObject }

export const path = defineKind<PathObject>({
  kind: 'path',
  word: 'Path',
  schema: PathObject,
  runs: ({ contours }) => contours,
  edge: (object, scene) => object.contours.flatMap((run) => finishedRun(object, run, scene)),
  filled: (object, edge) => (object.regions ? filledRegions(edge, object.regions) : edge),
  stroked: (object, edge, stroke, style) =>
    hasOwnJoints(object)
      ? ownJointsOutline(object, edge, { ...stroke, ...(style.side && { position: style.side }) })
      : null,
  frame: ({ contours }) => pathBounds(contours.map(contourOf)) ?? boxAround(contours.flatMap((run) => run.nodes))!,
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
  // What a hand drew is smoothed anew from its trace: it is kept as a whole.
  fit: ({ trace, ...object }, to) =>
    trace
      ? null
      : {
          ...object,
          contours: object.contours.map((run) => fittedRun(run, to)),
          ...(object.regions && { regions: object.regions.map((p) => fittedPlace(p, to)) }),
        },
  withRadii(object, change) {
    const contours = object.contours.map((run) => {
      const nodes = withNodeRadii(run.nodes, change)
      return nodes === run.nodes ? run : { ...run, nodes }
    })
    return contours.every((run, i) => run === object.contours[i]) ? object : { ...object, contours }
  },
  segments: ({ contours }) => contours.reduce((sum, { nodes }) => sum + nodes.length, 0),
  length: ({ contours }) => contours.reduce((sum, run) => sum + runLength(run), 0),
  fields: ({ trace }) => (trace ? [SMOOTHNESS] : []),
  summary({ contours }) {
    const count = contours.reduce((sum, run) => sum + run.nodes.length, 0)
    return `${count} nodes${contours.every(({ closed }) => closed) ? '' : ', open'}`
  },
  nodes: ({ contours }) => contours,
  // A path whose nodes were touched is no longer what the hand drew.
  fold({ trace, ...object }, contours) {
    return { ...object, ...(contours === object.contours && trace && { trace }), contours: contours as NodeRun[] }
  },
  lost: '',
  any: ({ fc, corner, run, plainStyle }) =>
    fc
      .tuple(corner, fc.array(run, { minLength: 1, maxLength: 2 }), plainStyle)
      .map(([own, contours, style]) => ({ ...own, contours, style })),
})

const SMOOTHNESS: Field<PathObject> = {
  id: 'smoothness',
  what: 'the smoothness',
  as: 'number',
  suffix: ' smooth',
  step: 0.05,
  limits: { least: 0.01, most: 10 },
  read: ({ trace }) => trace?.smoothness ?? 0,
  write: (object, smoothness) => (object.trace ? { ...object, ...traced({ ...object.trace, smoothness }) } : object),
}

/** The length of a run's nodes and handles, one after the other, which its curves do not exceed. */
function runLength({ nodes, closed }: NodeRun): number {
  const last = closed ? nodes.length : nodes.length - 1
  let sum = 0
  for (let i = 0; i < last; i++) {
    const a = nodes[i]!,
      b = nodes[(i + 1) % nodes.length]!
    sum += a.arc
      ? 2 * Math.PI * Math.max(a.arc.rx, a.arc.ry, distance(a, b))
      : distance(a, b) + 2 * (reach(a.out) + reach(b.in))
  }
  return sum
}

const reach = (handle: Node['in']): number => (handle ? Math.hypot(handle.x, handle.y) : 0)
