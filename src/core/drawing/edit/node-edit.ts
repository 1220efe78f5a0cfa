import { curveOf } from '../../geometry/curve'
import { splitCubic } from '../../geometry/cubic'
import { nearestOnCurve } from '../../geometry/nearest'
import { stretch } from '../../geometry/stretch'
import { cross, distance, dot, type Point, scale, subtract, unit } from '../../geometry/point'
import { pointAt, reverse, type Segment } from '../../geometry/segment'
import { directionAt } from '../../geometry/slope'
import { tidy } from '../../geometry/tidy'
import { SAME_POINT } from '../../geometry/tolerance'
import { withoutNodes } from '../../outline/refit'
import { contourOf, nodesOf, segmentBetween } from '../model/nodes'
import type { Node, NodeRun } from '../model/node'
import type { PathObject } from '../kinds/path/schema'

/** A node of a path object: which contour, and which of its nodes. */
export type NodeAt = { readonly contour: number; readonly node: number }

/** How a node joins what meets at it; a corner leaves its handles alone. */
export type NodeKind = 'corner' | 'smooth' | 'symmetric'

export const nodeAt = (path: PathObject, { contour, node }: NodeAt): Node | undefined =>
  path.contours[contour]?.nodes[node]
export const nodeKindOf = (node: Node): NodeKind => node.kind ?? 'corner'

const nodesPut = (path: PathObject, contour: number, nodes: Node[]): PathObject => ({
  ...path,
  contours: path.contours.map((run, i) => (i === contour ? { ...run, nodes } : run)),
})

/** The path with some nodes changed, each by itself. */
export function changeNodes(path: PathObject, places: readonly NodeAt[], change: (node: Node) => Node): PathObject {
  const chosen = new Set(places.map(({ contour, node }) => `${contour} ${node}`))
  return {
    ...path,
    contours: path.contours.map((run, c) =>
      places.some(({ contour }) => contour === c)
        ? { ...run, nodes: run.nodes.map((node, n) => (chosen.has(`${c} ${n}`) ? change(node) : node)) }
        : run,
    ),
  }
}

/**
 * Nodes moved; their handles come along, and arcs beside them become cubics of the same course where only one of their
 * ends moved.
 */
export function moveNodes(path: PathObject, places: readonly NodeAt[], by: Point): PathObject {
  const chosen = new Set(places.map(({ contour, node }) => `${contour} ${node}`))
  const loose: PathObject = {
    ...path,
    contours: path.contours.map((run, c) => {
      const torn = run.nodes.flatMap((node, n) =>
        node.arc && chosen.has(`${c} ${n}`) !== chosen.has(`${c} ${(n + 1) % run.nodes.length}`) ? [n] : [],
      )
      return torn.reduce(withoutArc, run)
    }),
  }
  return honest(changeNodes(loose, places, (node) => ({ ...node, x: tidy(node.x + by.x), y: tidy(node.y + by.y) })))
}

/** The arc that leaves a node as one cubic that leaves and arrives alike. */
function withoutArc(run: NodeRun, n: number): NodeRun {
  const a = run.nodes[n]!,
    m = (n + 1) % run.nodes.length,
    b = run.nodes[m]!
  const segment = segmentBetween(a, b)
  const [d, e] = [directionAt(segment, 0), directionAt(segment, 1)]
  const turn = Math.abs(Math.atan2(cross(d, e), dot(d, e)))
  const reach =
    segment.kind === 'arc'
      ? ((4 / 3) * Math.tan(turn / 4) || 0.55) * Math.max(segment.rx, segment.ry)
      : distance(a, b) / 3
  const nodes = run.nodes.map((node, i): Node => {
    if (i === n) return dropped({ ...node, out: rounded(scale(d, reach)) }, 'arc')
    return i === m ? { ...node, in: rounded(scale(e, -reach)) } : node
  })
  return { ...run, nodes }
}

const rounded = ({ x, y }: Point): Point => ({ x: tidy(x), y: tidy(y) })

function dropped(node: Node, ...keys: (keyof Node)[]): Node {
  const copy = { ...node }
  for (const key of keys) delete copy[key]
  return copy
}

/**
 * A handle brought to a vector from its node. In a smooth node the other handle turns along, in a symmetric one it is
 * mirrored; `free` moves the one handle alone and makes the node a corner. A vector of no length takes the handle away.
 */
export function setHandle(path: PathObject, at: NodeAt, side: 'in' | 'out', vector: Point, free = false): PathObject {
  const other = side === 'in' ? 'out' : 'in'
  const run = path.contours[at.contour]!
  const before = side === 'out' ? at.node : (at.node + run.nodes.length - 1) % run.nodes.length
  const straightened = run.nodes[before]?.arc
    ? { ...path, contours: path.contours.map((r, c) => (c === at.contour ? withoutArc(r, before) : r)) }
    : path
  return changeNodes(straightened, [at], (node) => {
    const kind = free ? 'corner' : nodeKindOf(node)
    const length = Math.hypot(vector.x, vector.y)
    const next: Node = length === 0 ? dropped(node, side, 'kind') : { ...node, [side]: rounded(vector) }
    if (free) return dropped(next, 'kind')
    if (length === 0 || kind === 'corner') return next
    const otherLength = kind === 'symmetric' ? length : node[other] ? Math.hypot(node[other].x, node[other].y) : 0
    return otherLength === 0 ? next : { ...next, [other]: rounded(scale(vector, -otherLength / length)) }
  })
}

/**
 * Nodes made corners, smooth or symmetric; where handles are missing, smooth ones take a third of the way to their
 * neighbours.
 */
export function setKind(path: PathObject, places: readonly NodeAt[], kind: NodeKind): PathObject {
  return places.reduce((so, at) => {
    const run = so.contours[at.contour]!
    const node = run.nodes[at.node]!
    if (kind === 'corner') return changeNodes(so, [at], (one) => dropped(one, 'kind'))
    const count = run.nodes.length
    const before = run.nodes[at.node - 1] ?? (run.closed ? run.nodes[count - 1] : undefined),
      after = run.nodes[at.node + 1] ?? (run.closed ? run.nodes[0] : undefined)
    const incoming = node.in ?? (before && before !== node ? thirdTo(node, before) : undefined),
      outgoing = node.out ?? (after && after !== node ? thirdTo(node, after) : undefined)
    if (!incoming || !outgoing) return changeNodes(so, [at], (one) => ({ ...one, kind }))
    const along = unit(subtract(outgoing, incoming))
    const a = Math.hypot(incoming.x, incoming.y),
      b = Math.hypot(outgoing.x, outgoing.y),
      mean = (a + b) / 2
    const [inLength, outLength] = kind === 'symmetric' ? [mean, mean] : [a, b]
    return changeNodes(so, [at], (one) => ({
      ...one,
      kind,
      in: rounded(scale(along, -inLength)),
      out: rounded(scale(along, outLength)),
    }))
  }, path)
}

const thirdTo = (from: Point, to: Point): Point => ({ x: (to.x - from.x) / 3, y: (to.y - from.y) / 3 })

/** A node of the kind that its handles still have: in line and of one length, in line, or neither. */
function truly(node: Node): Node {
  const { in: into, out, kind } = node
  if (!kind || !into || !out) return node
  const a = Math.hypot(into.x, into.y),
    b = Math.hypot(out.x, out.y)
  if (a < SAME_POINT || b < SAME_POINT) return node
  const inLine = Math.abs(cross(into, out)) <= IN_LINE * a * b && dot(into, out) < 0
  if (!inLine) return dropped(node, 'kind')
  return kind === 'symmetric' && Math.abs(a - b) > IN_LINE * a ? { ...node, kind: 'smooth' } : node
}

/** By what share of their lengths handles may be out of line, or unlike in length, and still count as neither. */
const IN_LINE = 1e-7

/** A path each of whose nodes is of the kind that its handles have. */
const honest = (path: PathObject): PathObject => ({
  ...path,
  contours: path.contours.map((run) => {
    const nodes = run.nodes.map(truly)
    return nodes.every((node, i) => node === run.nodes[i]) ? run : { ...run, nodes }
  }),
})

/** A node put into the segment that leaves a node, at its parameter; the course stays exactly as it is. */
export function insertNode(path: PathObject, { contour, node }: NodeAt, t: number): PathObject {
  const run = path.contours[contour]!
  const a = run.nodes[node]!,
    m = (node + 1) % run.nodes.length,
    b = run.nodes[m]!
  const segment = segmentBetween(a, b)
  const pieces: [Segment, Segment] =
    segment.kind === 'cubic' ? splitCubic(segment, t) : [stretch(segment, 0, t), stretch(segment, t, 1)]
  const two = nodesOf({ segments: pieces, closed: false }).nodes
  const first = { ...dropped(a, 'out', 'arc'), ...pick(two[0]!, 'out', 'arc') },
    last = { ...dropped(b, 'in'), ...pick(two[2]!, 'in') }
  const fresh: Node = segment.kind === 'cubic' ? { ...two[1]!, kind: 'smooth' } : two[1]!
  const nodes = run.nodes.flatMap((one, i): Node[] =>
    i === node ? [m === i ? one : first, fresh] : i === m ? [last] : [one],
  )
  return honest(nodesPut(path, contour, nodes))
}

function pick(node: Node, ...keys: (keyof Node)[]): Partial<Node> {
  return Object.fromEntries(keys.flatMap((key) => (node[key] === undefined ? [] : [[key, node[key]]]))) as Partial<Node>
}

/**
 * Nodes taken out, closed contours kept closed and their course kept as well as can be; contours left with less than
 * two nodes go. Null when none is left.
 */
export function removeNodes(path: PathObject, places: readonly NodeAt[], pieces = 1): PathObject | null {
  const contours = path.contours.flatMap((run, c): NodeRun[] => {
    const taken = new Set(places.filter(({ contour }) => contour === c).map(({ node }) => node))
    if (taken.size === 0) return [run]
    const left = withoutNodes(contourOf(run), taken, pieces)
    return left ? [nodesOf(left, run.nodes)] : []
  })
  return contours.length > 0 ? honest({ ...path, contours }) : null
}

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
 * A segment pulled so that its place at `t` comes to a point: straight ones become curves (both handles share the pull,
 * as their places in the curve say).
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
