import { type ArcCentre } from '../geometry/arc'
import { type Curve, curveOf, nearestParameter } from '../geometry/curve'
import { keepTime } from '../geometry/deadline'
import { stretch, stretchOfTurn } from '../geometry/stretch'
import { distance, type Point } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { addWinding, type Piece, type Winding } from './pieces'

/** The source of an edge: its input path, segment and parameter interval. */
export type Origin = { readonly path: number; readonly segment: Segment; readonly from: number; readonly to: number }

/**
 * An edge between two vertices. Several input paths may run along it: `windings` has for each of those that enclose
 * something, how often, forth less back; `origin` is the first of them. `round` is an arc's centre.
 */
export type Edge = {
  readonly from: number
  readonly to: number
  readonly segment: Segment
  readonly round: ArcCentre | null
  readonly origin: Origin
  readonly windings: readonly Winding[]
}

type Draft = {
  from: number
  to: number
  segment: Segment
  round: ArcCentre | null
  origin: Origin
  windings: Winding[]
}

/** The stretches between cuts as edges; stretches that run together become one. */
export function mergedEdges(pieces: readonly Piece[], points: readonly Point[], snap: number): Edge[] {
  const edges: Draft[] = []
  // The last edge between two vertices, and for each edge the one before it between the same two.
  const between = new Map<number, number>()
  const before: number[] = []
  for (const { path, source, t0, t1, curve, windings, cuts } of pieces) {
    keepTime()
    if (cuts.length > 2) cuts.sort((a, b) => a.t - b.t)
    for (let i = 0; i + 1 < cuts.length; i++) {
      const a = cuts[i]!,
        b = cuts[i + 1]!
      if (a.vertex === b.vertex) continue
      const start = points[a.vertex]!,
        end = points[b.vertex]!
      const whole = a.t === 0 && b.t === 1 && start === curve.segment.from && end === curve.segment.to
      const segment = whole ? curve.segment : stretch(curve.segment, a.t, b.t, start, end, curve.round)
      const key = a.vertex < b.vertex ? a.vertex * points.length + b.vertex : b.vertex * points.length + a.vertex
      let same = between.get(key) ?? -1
      while (same !== -1 && !runTogether(edges[same]!.segment, segment, 4 * snap)) same = before[same]!
      if (same !== -1) {
        const edge = edges[same]!
        for (const one of windings) addWinding(edge.windings, one.path, edge.from === a.vertex ? one.times : -one.times)
        continue
      }
      before.push(between.get(key) ?? -1)
      between.set(key, edges.length)
      const span = t1 - t0
      edges.push({
        from: a.vertex,
        to: b.vertex,
        segment,
        round: curve.round && stretchOfTurn(curve.round, a.t, b.t),
        origin: { path, segment: source, from: t0 + a.t * span, to: t0 + b.t * span },
        windings: windings.slice(),
      })
    }
  }
  return edges
}

/** Where along one of two stretches their distance is looked at. */
const LOOKS = [0.5, 0.25, 0.75] as const

/** Whether two stretches between the same ends stay within a distance of each other, at whatever speed they run. */
function runTogether(a: Segment, b: Segment, near: number): boolean {
  if (a.kind === 'line' && b.kind === 'line') return true
  const middle = pointAt(b, 0.5),
    size = distance(b.from, b.to)
  if (size > 0 && distance(pointAt(a, 0.5), middle) > near + size) return false
  const curve: Curve = curveOf(a)
  return LOOKS.every((t) => {
    const p = t === 0.5 ? middle : pointAt(b, t)
    return distance(pointAt(a, nearestParameter(curve, p)), p) <= near
  })
}
