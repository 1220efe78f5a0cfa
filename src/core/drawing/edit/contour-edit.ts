import { distance } from '../../geometry/point'
import { reverse } from '../../geometry/segment'
import { SAME_POINT } from '../../geometry/tolerance'
import type { PathObject } from '../kinds/path/schema'
import type { Node, NodeRun } from '../model/node'
import { contourOf, nodesOf } from '../model/nodes'
import { dropped, honest, type NodeAt, pick } from './node-edit'

/** A closed contour opened at a node, which becomes two ends in one place. An open contour is cut in two there. */
export function openAt(path: PathObject, { contour, node }: NodeAt): PathObject {
  const run = path.contours[contour]!
  const order = run.closed ? [...run.nodes.slice(node), ...run.nodes.slice(0, node)] : run.nodes
  const at = run.closed ? 0 : node
  if (!run.closed && (at === 0 || at === order.length - 1)) return path
  const end = (one: Node) => dropped(one, 'out', 'arc', 'kind', 'corner'),
    start = (one: Node) => dropped(one, 'in', 'kind', 'corner')
  const parts: NodeRun[] = run.closed
    ? [{ closed: false, nodes: [start(order[0]!), ...order.slice(1), end(order[0]!)] }]
    : [
        { closed: false, nodes: [...order.slice(0, at), end(order[at]!)] },
        { closed: false, nodes: [start(order[at]!), ...order.slice(at + 1)] },
      ]
  return { ...path, contours: path.contours.flatMap((other, c) => (c === contour ? parts : [other])) }
}

/** A contour closed: ends in one place become one node, others are joined by a straight line. */
export function closeContour(path: PathObject, contour: number): PathObject {
  const run = path.contours[contour]!
  const first = run.nodes[0]!,
    last = run.nodes[run.nodes.length - 1]!
  if (run.closed) return path
  const meet = distance(first, last) <= SAME_POINT && run.nodes.length > 2
  const nodes = meet ? [{ ...first, ...pick(last, 'in') }, ...run.nodes.slice(1, -1)] : run.nodes
  return honest({
    ...path,
    contours: path.contours.map((other, c) => (c === contour ? { closed: true, nodes } : other)),
  })
}

/** A contour run through the other way. */
export function reverseContour(path: PathObject, contour: number): PathObject {
  return { ...path, contours: path.contours.map((run, c) => (c === contour ? reversedRun(run) : run)) }
}

export function reversedRun(run: NodeRun): NodeRun {
  const contour = contourOf(run)
  const turned = nodesOf({ segments: contour.segments.toReversed().map(reverse), closed: run.closed }, run.nodes)
  return turned
}

/**
 * Two open ends of one path joined: ends in one place become one node, others a straight line between them. Null when
 * there is nothing to join.
 */
export function joinEnds(path: PathObject, a: NodeAt, b: NodeAt): PathObject | null {
  const isEnd = ({ contour, node }: NodeAt) =>
    !path.contours[contour]!.closed && (node === 0 || node === path.contours[contour]!.nodes.length - 1)
  if (!isEnd(a) || !isEnd(b) || (a.contour === b.contour && a.node === b.node)) return null
  if (a.contour === b.contour) return closeContour(path, a.contour)
  const first = path.contours[a.contour]!,
    second = path.contours[b.contour]!
  const head = a.node === 0 ? reversedRun(first) : first,
    tail = b.node === 0 ? second : reversedRun(second)
  const end = head.nodes[head.nodes.length - 1]!,
    start = tail.nodes[0]!
  const meet = distance(end, start) <= SAME_POINT
  const nodes = meet
    ? [...head.nodes.slice(0, -1), { ...end, ...pick(start, 'out', 'arc') }, ...tail.nodes.slice(1)]
    : [...head.nodes, ...tail.nodes]
  return honest({
    ...path,
    contours: path.contours.flatMap((run, c) =>
      c === a.contour ? [{ closed: false, nodes }] : c === b.contour ? [] : [run],
    ),
  })
}
