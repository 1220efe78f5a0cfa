import { keepTime } from '../geometry/deadline'
import type { Contour, Path } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import type { Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { SAME_POINT } from '../geometry/tolerance'
import { Vertices } from '../planar/vertices'
import { dashes } from './dash'
import type { CapStyle, JoinStyle } from './joint'
import { smoothParts } from './smooth-parts'
import type { Stroke } from './line-style'

/**
 * A place where parts of a run meet or end, and the unit directions in which the run arrives there and leaves; null
 * where it ends or begins.
 */
export type Node = {
  readonly at: Point
  readonly into: Point | null
  readonly out: Point | null
  readonly join: JoinStyle
  cap: CapStyle
  /** Three strokes or more share the place and have one join. */
  shared: boolean
}

/**
 * A contour or a dash of one, in parts that never stand still; node i stands before part i, and where the run is open
 * another behind the last.
 */
export type Run = { readonly parts: readonly Segment[]; readonly nodes: readonly Node[]; readonly closed: boolean }

/** Where strokes share a place and have one join: the unit directions in which they leave it. */
export type Star = { readonly at: Point; readonly directions: readonly Point[]; readonly join: JoinStyle }

/** The runs of a path that is stroked, the stars among their nodes, and contours that are nothing but a point. */
export function runsOf(path: Path, stroke: Stroke): { runs: Run[]; stars: Star[]; points: Point[] } {
  const runs: Run[] = [],
    points: Point[] = []
  path.forEach((whole, contour) => {
    for (const run of stroke.dash && stroke.dash.length > 0
      ? dashes(whole, stroke.dash, stroke.dashOffset ?? 0)
      : [whole]) {
      const [first] = run.segments
      if (!first) continue
      const one = runOf(run, stroke, contour, run === whole)
      if (one) runs.push(one)
      else points.push(first.from)
    }
  })
  return { runs, stars: starsOf(runs), points }
}

/** A contour as a run; null when it goes nowhere. */
function runOf({ segments, closed }: Contour, stroke: Stroke, contour: number, isWhole: boolean): Run | null {
  const [only] = segments
  if (segments.length === 1 && only!.kind === 'line' && distance(only!.from, only!.to) <= SAME_POINT) return null
  const parts: Segment[] = [],
    nodes: Node[] = []
  segments.forEach((segment, node) => {
    keepTime()
    smoothParts(segment).forEach((part, i) => {
      // Where a curve stands still and turns back it has a node that nobody drew.
      const join = i === 0 && isWhole ? (stroke.joinAt?.(contour, node) ?? stroke.join) : stroke.join
      const before = parts[parts.length - 1]
      nodes.push({
        at: part.from,
        into: before ? directionAt(before, 1) : null,
        out: directionAt(part, 0),
        join,
        cap: stroke.cap,
        shared: false,
      })
      parts.push(part)
    })
  })
  if (parts.length === 0) return null
  const last = parts[parts.length - 1]!,
    first = nodes[0]!
  if (closed) nodes[0] = { ...first, into: directionAt(last, 1) }
  else {
    first.cap = stroke.capAt?.(contour, false) ?? stroke.cap
    nodes.push({
      at: last.to,
      into: directionAt(last, 1),
      out: null,
      join: stroke.join,
      cap: stroke.capAt?.(contour, true) ?? stroke.cap,
      shared: false,
    })
  }
  return { parts, nodes, closed }
}

/** Finds the places that runs share with open ends of others, and marks their nodes. */
function starsOf(runs: readonly Run[]): Star[] {
  if (runs.every(({ closed }) => closed)) return []
  const places = new Vertices(SAME_POINT)
  const groups = new Map<number, Node[]>()
  for (const { nodes } of runs) {
    for (const node of nodes) {
      const place = places.of(node.at),
        known = groups.get(place)
      if (known) known.push(node)
      else groups.set(place, [node])
    }
  }
  const stars: Star[] = []
  for (const group of groups.values()) {
    if (group.length < 2) continue
    const directions = group.flatMap(({ into, out }) => [
      ...(into ? [{ x: -into.x, y: -into.y }] : []),
      ...(out ? [out] : []),
    ])
    const isEnd = ({ into, out }: Node) => !into || !out
    if (directions.length < 3 || !group.some(isEnd)) continue
    for (const node of group) {
      node.shared = true
      if (isEnd(node)) node.cap = 'butt'
    }
    stars.push({ at: group[0]!.at, directions, join: (group.find((node) => !isEnd(node)) ?? group[0]!).join })
  }
  return stars
}

/** Each part of a run by itself, and the joins between them. */
export function partsOf({ parts, nodes, closed }: Run): { runs: Run[]; stars: Star[] } {
  const runs = parts.map((part, i): Run => {
    const first = nodes[i]!,
      last = nodes[closed ? (i + 1) % nodes.length : i + 1]!
    const end = (node: Node): Node => ({ ...node, shared: true, cap: node.into && node.out ? 'butt' : node.cap })
    return {
      parts: [part],
      nodes: [
        { ...end(first), into: null },
        { ...end(last), out: null },
      ],
      closed: false,
    }
  })
  const stars = nodes.flatMap(({ at, into, out, join, shared }): Star[] =>
    into && out && !shared ? [{ at, directions: [{ x: -into.x, y: -into.y }, out], join }] : [],
  )
  return { runs, stars }
}
