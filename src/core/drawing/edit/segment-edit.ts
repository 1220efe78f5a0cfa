import { splitCubic } from '../../geometry/cubic'
import { curveOf } from '../../geometry/curve'
import { nearestOnCurve } from '../../geometry/nearest'
import { type Point, scale, subtract } from '../../geometry/point'
import { pointAt, type Segment } from '../../geometry/segment'
import { stretch } from '../../geometry/stretch'
import type { PathObject } from '../kinds/path/schema'
import type { Node } from '../model/node'
import { contourOf, nodesOf, segmentBetween } from '../model/nodes'
import { changeNodes, dropped, honest, type NodeAt, pick, setHandle, thirdTo, withoutArc, inOrder } from './node-edit'

/** Inserts a node into the segment after a node, at its parameter; the curve is unchanged. */
export function insertNode(path: PathObject, { contour, node }: NodeAt, t: number): PathObject {
  const run = path.contours[contour]!
  const a = run.nodes[node]!,
    m = (node + 1) % run.nodes.length,
    b = run.nodes[m]!
  const segment = segmentBetween(a, b)
  const pieces: [Segment, Segment] =
    segment.kind === 'cubic' ? splitCubic(segment, t) : [stretch(segment, 0, t), stretch(segment, t, 1)]
  const two = nodesOf({ segments: pieces, closed: false }).nodes
  const first = inOrder({ ...dropped(a, 'out', 'arc'), ...pick(two[0]!, 'out', 'arc') }),
    last = inOrder({ ...dropped(b, 'in'), ...pick(two[2]!, 'in') })
  const fresh: Node = segment.kind === 'cubic' ? { ...two[1]!, kind: 'smooth' } : two[1]!
  const nodes = run.nodes.flatMap((one, i): Node[] =>
    i === node ? [m === i ? one : first, fresh] : i === m ? [last] : [one],
  )
  return honest({
    ...path,
    contours: path.contours.map((other, c) => (c === contour ? { ...other, nodes } : other)),
  })
}

/** Segments (each by the node it leaves) made straight lines. */
export function straighten(path: PathObject, places: readonly NodeAt[]): PathObject {
  return places.reduce((so, { contour, node }) => {
    const run = so.contours[contour]!
    const next = (node + 1) % run.nodes.length
    const off = changeNodes(so, [{ contour, node }], (one) => dropped(one, 'out', 'arc', 'kind'))
    return changeNodes(off, [{ contour, node: next }], (one) => dropped(one, 'in', 'kind'))
  }, path)
}

/**
 * Moves the point at `t` of a segment to a place. A straight segment becomes a curve; both handles share the movement
 * by their weights.
 */
export function pullSegment(path: PathObject, { contour, node }: NodeAt, t: number, to: Point): PathObject {
  const base = path.contours[contour]!.nodes[node]!.arc
    ? { ...path, contours: path.contours.map((run, c) => (c === contour ? withoutArc(run, node) : run)) }
    : path
  const run = base.contours[contour]!
  const next = (node + 1) % run.nodes.length
  const a = run.nodes[node]!,
    b = run.nodes[next]!
  const segment = segmentBetween(a, b)
  const out = a.out ?? thirdTo(a, b),
    into = b.in ?? thirdTo(b, a)
  const at = pointAt(
    {
      kind: 'cubic',
      from: segment.from,
      c1: { x: a.x + out.x, y: a.y + out.y },
      c2: { x: b.x + into.x, y: b.y + into.y },
      to: segment.to,
    },
    t,
  )
  const s = 1 - t,
    k1 = 3 * s * s * t,
    k2 = 3 * s * t * t,
    share = t < 1 / 6 ? 0 : t > 5 / 6 ? 1 : (t - 1 / 6) * 1.5
  const weight = (1 - share) * k1 + share * k2
  const by = subtract(to, at),
    pull = (k: number): Point => scale(by, k / weight)
  const first = setHandle(base, { contour, node }, 'out', {
    x: out.x + pull(1 - share).x,
    y: out.y + pull(1 - share).y,
  })
  return setHandle(first, { contour, node: next }, 'in', {
    x: into.x + pull(share).x,
    y: into.y + pull(share).y,
  })
}

/** The place of a path nearest to a point: the segment by the node it leaves, and the parameter on it. */
export function nearestSegment(
  path: PathObject,
  p: Point,
): (NodeAt & { readonly t: number; readonly at: Point; readonly distance: number }) | null {
  let best: (NodeAt & { t: number; at: Point; distance: number }) | null = null
  path.contours.forEach((run, contour) => {
    contourOf(run).segments.forEach((segment, node) => {
      if (segment.from.x === segment.to.x && segment.from.y === segment.to.y && segment.kind === 'line') return
      const found = nearestOnCurve(curveOf(segment), p)
      if (!best || found.distance < best.distance) best = { contour, node, ...found }
    })
  })
  return best
}
