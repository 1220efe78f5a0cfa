import { cross, distance, dot, type Point, scale, subtract, unit } from '../../geometry/point'
import { directionAt } from '../../geometry/slope'
import { tidy } from '../../geometry/tidy'
import { SAME_POINT } from '../../geometry/tolerance'
import { withoutNodes } from '../../outline/refit'
import { contourOf, nodesOf, segmentBetween } from '../model/nodes'
import { Node as NodeSchema, type Node, type NodeRun } from '../model/node'
import type { PathObject } from '../kinds/path/schema'

/** A node of a path object: which contour, and which of its nodes. */
export type NodeAt = { readonly contour: number; readonly node: number }

/** How a node joins what meets at it; a corner leaves its handles alone. */
export type NodeKind = 'corner' | 'smooth' | 'symmetric'

export const nodeAt = (path: PathObject, { contour, node }: NodeAt): Node | undefined =>
  path.contours[contour]?.nodes[node]
export const nodeKindOf = (node: Node): NodeKind => node.kind ?? 'corner'

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
export function withoutArc(run: NodeRun, n: number): NodeRun {
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

/** A node without some of its values. */
export function dropped(node: Node, ...keys: (keyof Node)[]): Node {
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

/** A handle of a third of the way between two nodes. */
export const thirdTo = (from: Point, to: Point): Point => ({ x: (to.x - from.x) / 3, y: (to.y - from.y) / 3 })

/** A node with the kind that its handles still have: symmetric, smooth, or corner. */
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

/** Relative tolerance for handles that are in line, or of one length. */
const IN_LINE = 1e-7

/** A path whose nodes all have the kind that their handles show. */
export const honest = (path: PathObject): PathObject => ({
  ...path,
  contours: path.contours.map((run) => {
    const nodes = run.nodes.map(truly)
    return nodes.every((node, i) => node === run.nodes[i]) ? run : { ...run, nodes }
  }),
})

/**
 * Nodes taken out, closed contours kept closed and their course kept as well as can be; contours left with less than
 * two nodes go. Null when none is left.
 */
export function removeNodes(path: PathObject, places: readonly NodeAt[], pieces = 1): PathObject | null {
  const contours = path.contours.flatMap((run, c): NodeRun[] => {
    const taken = new Set(places.filter(({ contour }) => contour === c).map(({ node }) => node))
    if (taken.size === 0) return [run]
    const left = withoutNodes(contourOf(run), taken, pieces)
    return left ? [keptNodes(run, nodesOf(left, run.nodes), taken)] : []
  })
  return contours.length > 0 ? honest({ ...path, contours }) : null
}

/** The nodes of a run that lost some: those that stay keep all of their values but the handles beside a gap. */
function keptNodes(run: NodeRun, left: NodeRun, taken: ReadonlySet<number>): NodeRun {
  const count = run.nodes.length,
    kept = run.nodes.flatMap((node, i) => (taken.has(i) ? [] : [{ node, i }]))
  // Where a gap is bridged by several pieces, the nodes are others.
  if (kept.length !== left.nodes.length) return left
  const nodes = kept.map(({ node, i }, k): Node => {
    const now = left.nodes[k]!
    const isAfter = taken.has((i + count - 1) % count),
      isBefore = taken.has((i + 1) % count)
    return inOrder({
      ...node,
      ...(isAfter && { in: now.in }),
      ...(isBefore && { out: now.out, arc: now.arc }),
    })
  })
  return { ...run, nodes }
}

const KEYS = Object.keys(NodeSchema.shape) as (keyof Node)[]

/** A node with its values in the order of its schema, those that it has. */
export const inOrder = (node: { readonly [K in keyof Node]: Node[K] | undefined }): Node =>
  pick(node as Node, ...KEYS) as Node

/** Some of a node's values, those that it has. */
export function pick(node: Node, ...keys: (keyof Node)[]): Partial<Node> {
  return Object.fromEntries(keys.flatMap((key) => (node[key] === undefined ? [] : [[key, node[key]]]))) as Partial<Node>
}
