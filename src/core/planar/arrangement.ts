import { type Curve, curveOf, powers } from '../geometry/curve'
import { intersect } from '../geometry/intersect'
import { part } from '../geometry/part'
import type { Path } from '../geometry/path'
import { cross, distance, type Point, subtract } from '../geometry/point'
import { rootsOnUnit } from '../geometry/roots'
import { line, pointAt, type Segment } from '../geometry/segment'
import { SNAP } from '../geometry/tolerance'
import { followers } from './around'
import { cycles, windingsOf } from './faces'
import { Vertices } from './vertices'

/** Where an edge comes from: the input path, the segment it is a part of and between which of its parameters. */
export type Origin = { readonly path: number; readonly segment: Segment; readonly from: number; readonly to: number }

/** An edge between two vertices. Several input paths may run along it; `windings` has for each of them how often, forth less back. */
export type Edge = {
  readonly from: number
  readonly to: number
  readonly segment: Segment
  readonly origin: Origin
  readonly windings: ReadonlyMap<number, number>
}

/**
 * Paths laid over each other: vertices, the edges between them, and faces. Half edge 2·i runs along edge i, 2·i + 1 against it;
 * `face` has the face to the left of each (left as seen with y upwards), `windings` how often each path winds around each face.
 */
export type Arrangement = {
  readonly vertices: readonly Point[]
  readonly edges: readonly Edge[]
  readonly next: Int32Array
  readonly face: Int32Array
  readonly windings: readonly Int32Array[]
}

type Piece = { readonly path: number; readonly source: Segment; readonly t0: number; readonly t1: number; readonly curve: Curve; readonly cuts: { t: number; vertex: number }[] }

/** Lays closed paths over each other. Open contours are closed by a straight line, as they are where they are filled. */
export function arrange(paths: readonly Path[]): Arrangement {
  const vertices = new Vertices(SNAP)
  const pieces = piecesOf(paths)
  // Input nodes come first, so that it is their coordinates that survive.
  for (const { curve, cuts } of pieces) cuts.push({ t: 0, vertex: vertices.of(curve.segment.from) }, { t: 1, vertex: vertices.of(curve.segment.to) })
  cutEachOther(pieces, vertices)
  const edges = mergedEdges(pieces, vertices.points)
  const next = followers(edges, vertices.points.length)
  const { face, count } = cycles(next)
  return { vertices: vertices.points, edges, next, face, windings: windingsOf(paths.length, edges, next, face, count, vertices.points) }
}

/** Segments as pieces; cubics are cut where they turn back along x or y, so that no piece meets itself. */
function piecesOf(paths: readonly Path[]): Piece[] {
  const pieces: Piece[] = []
  paths.forEach((path, index) => {
    for (const { segments } of path) {
      const first = segments[0]!.from, last = segments[segments.length - 1]!.to
      const closing = distance(last, first) > SNAP ? [line(last, first)] : []
      for (const source of [...segments, ...closing]) {
        const stops = source.kind === 'cubic' ? [0, ...turns(source), 1] : [0, 1]
        for (let i = 0; i + 1 < stops.length; i++) {
          const t0 = stops[i]!, t1 = stops[i + 1]!
          const segment = stops.length === 2 ? source : part(source, t0, t1)
          if (distance(segment.from, segment.to) <= SNAP) continue
          // A cubic that runs straight is a line: only so can it share a stretch with one.
          const straight = isStraight(segment) ? line(segment.from, segment.to) : null
          pieces.push(straight ? { path: index, source: straight, t0: 0, t1: 1, curve: curveOf(straight), cuts: [] } : { path: index, source, t0, t1, curve: curveOf(segment), cuts: [] })
        }
      }
    }
  })
  return pieces
}

/** True for a cubic whose control points lie on its chord; it has been cut where it turns back. */
function isStraight(segment: Segment): boolean {
  if (segment.kind !== 'cubic') return false
  const { from, c1, c2, to } = segment
  const chord = subtract(to, from)
  const aside = (p: Point) => Math.abs(cross(chord, subtract(p, from))) / Math.hypot(chord.x, chord.y)
  return aside(c1) <= SNAP / 10 && aside(c2) <= SNAP / 10
}

function turns({ from, c1, c2, to }: Segment & { kind: 'cubic' }): number[] {
  const along = (p: readonly number[]) => rootsOnUnit([p[1]!, 2 * p[2]!, 3 * p[3]!], 0).map(({ t }) => t)
  const all = [...along(powers(from.x, c1.x, c2.x, to.x)), ...along(powers(from.y, c1.y, c2.y, to.y))].filter((t) => t > 1e-6 && t < 1 - 1e-6).sort((a, b) => a - b)
  return all.filter((t, i) => i === 0 || t - all[i - 1]! > 1e-6)
}

/** Notes on every piece where others cross it, by a sweep along x over the pieces' bounds. */
function cutEachOther(pieces: readonly Piece[], vertices: Vertices): void {
  const byX = pieces.toSorted((a, b) => a.curve.box.x - b.curve.box.x)
  let active: Piece[] = []
  for (const piece of byX) {
    const { box } = piece.curve
    active = active.filter((other) => other.curve.box.x + other.curve.box.w >= box.x - SNAP)
    for (const other of active) {
      if (other.curve.box.y > box.y + box.h + SNAP || box.y > other.curve.box.y + other.curve.box.h + SNAP) continue
      for (const { at, s, t } of intersect(piece.curve, other.curve).meetings) {
        const vertex = vertices.of(at)
        piece.cuts.push({ t: s, vertex })
        other.cuts.push({ t, vertex })
      }
    }
    active.push(piece)
  }
}

/** The stretches between cuts as edges; stretches that run together become one. */
function mergedEdges(pieces: readonly Piece[], points: readonly Point[]): Edge[] {
  const edges: { from: number; to: number; segment: Segment; origin: Origin; middle: Point; windings: Map<number, number> }[] = []
  const between = new Map<string, number[]>()
  for (const { path, source, t0, t1, curve, cuts } of pieces) {
    cuts.sort((a, b) => a.t - b.t)
    for (let i = 0; i + 1 < cuts.length; i++) {
      const a = cuts[i]!, b = cuts[i + 1]!
      if (a.vertex === b.vertex) continue
      const segment = part(curve.segment, a.t, b.t, points[a.vertex], points[b.vertex])
      const middle = pointAt(segment, 0.5)
      const [low, high] = a.vertex < b.vertex ? [a.vertex, b.vertex] : [b.vertex, a.vertex]
      const key = `${low} ${high}`
      const known = between.get(key) ?? []
      const same = known.map((index) => edges[index]!).find((edge) => distance(edge.middle, middle) <= 4 * SNAP)
      if (same) {
        const sense = same.from === a.vertex ? 1 : -1
        same.windings.set(path, (same.windings.get(path) ?? 0) + sense)
        continue
      }
      between.set(key, [...known, edges.length])
      const span = t1 - t0
      edges.push({ from: a.vertex, to: b.vertex, segment, middle, origin: { path, segment: source, from: t0 + a.t * span, to: t0 + b.t * span }, windings: new Map([[path, 1]]) })
    }
  }
  return edges
}
