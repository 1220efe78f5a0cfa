import { splitCubic } from '../../geometry/cubic'
import { type Contour } from '../../geometry/path'
import { type Point } from '../../geometry/point'
import type { Segment } from '../../geometry/segment'
import { SAME_POINT } from '../../geometry/tolerance'
import { tidy } from '../../geometry/tidy'
import type { Node, NodeRun } from './node'

/** The contour of a run of nodes; segment i leaves node i. */
export function contourOf({ nodes, closed }: NodeRun): Contour {
  const count = closed ? nodes.length : nodes.length - 1
  return {
    segments: Array.from({ length: count }, (_, i) => segmentBetween(nodes[i]!, nodes[(i + 1) % nodes.length]!)),
    closed,
  }
}

/** The segment from one node to the next. */
export function segmentBetween(a: Node, b: Node): Segment {
  const from = { x: a.x, y: a.y },
    to = { x: b.x, y: b.y }
  if (a.arc && (from.x !== to.x || from.y !== to.y)) {
    const { rx, ry, turn = 0, large = false, sweep = false } = a.arc
    return { kind: 'arc', from, to, rx, ry, turn: (turn * Math.PI) / 180, large, sweep }
  }
  if (!a.out && !b.in) return { kind: 'line', from, to }
  return {
    kind: 'cubic',
    from,
    c1: { x: a.x + (a.out?.x ?? 0), y: a.y + (a.out?.y ?? 0) },
    c2: { x: b.x + (b.in?.x ?? 0), y: b.y + (b.in?.y ?? 0) },
    to,
  }
}

/**
 * A contour as nodes, two at least: a loop of one curve gets another in its middle. Those that stay where nodes of `before`
 * were keep their corners and kinds.
 */
export function nodesOf(contour: Contour, before: readonly Node[] = []): NodeRun {
  const { closed } = contour,
    [only, ...more] = contour.segments
  const segments = closed && more.length === 0 && only?.kind === 'cubic' ? splitCubic(only, 0.5) : contour.segments
  const nodes = segments.map((segment): Node => ({
    x: tidy(segment.from.x),
    y: tidy(segment.from.y),
    ...leaving(segment),
  }))
  if (!closed) {
    const { to } = segments[segments.length - 1]!
    nodes.push({ x: tidy(to.x), y: tidy(to.y) })
  }
  segments.forEach((segment, i) => {
    if (segment.kind !== 'cubic') return
    const next = nodes[(i + 1) % nodes.length]!
    const handle = vector(segment.to, segment.c2)
    if (handle) next.in = handle
  })
  for (const node of nodes) {
    const old = before.find(
      (other) => Math.abs(other.x - node.x) < SAME_POINT && Math.abs(other.y - node.y) < SAME_POINT,
    )
    for (const key of ['corner', 'cornerStyle', 'kind'] as const)
      if (old?.[key] !== undefined) Object.assign(node, { [key]: old[key] })
  }
  return { closed, nodes }
}

function leaving(segment: Segment): Partial<Node> {
  if (segment.kind === 'cubic') {
    const out = vector(segment.from, segment.c1)
    return out ? { out } : {}
  }
  if (segment.kind === 'line') return {}
  const { rx, ry, turn, large, sweep } = segment
  return {
    arc: {
      rx: tidy(rx),
      ry: tidy(ry),
      ...(turn !== 0 && rx !== ry && { turn: (turn * 180) / Math.PI }),
      ...(large && { large }),
      ...(sweep && { sweep }),
    },
  }
}

function vector(from: Point, to: Point): Point | null {
  const x = tidy(to.x - from.x),
    y = tidy(to.y - from.y)
  return Math.hypot(x, y) <= SAME_POINT ? null : { x, y }
}
