import type { ArcCentre } from '../geometry/arc'
import type { Curve } from '../geometry/curve'
import { keepTime } from '../geometry/deadline'
import { intersect } from '../geometry/intersect'
import { part, partOfTurn } from '../geometry/part'
import type { Path } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { MEETING, REACH, SNAP } from '../geometry/tolerance'
import { followers } from './around'
import { facesOf } from './faces'
import { addWinding, type Piece, piecesOf, type Winding } from './pieces'
import { fault } from './verify'
import { Vertices } from './vertices'

/** Where an edge comes from: the input path, the segment it is a part of and between which of its parameters. */
export type Origin = { readonly path: number; readonly segment: Segment; readonly from: number; readonly to: number }

/**
 * An edge between two vertices. Several input paths may run along it: `windings` has for each of those that enclose something, how
 * often, forth less back; `origin` is the first of them. `round` is an arc's centre.
 */
export type Edge = {
  readonly from: number
  readonly to: number
  readonly segment: Segment
  readonly round: ArcCentre | null
  readonly origin: Origin
  readonly windings: readonly Winding[]
}

/**
 * Paths laid over each other: vertices, the edges between them, and faces. Half edge 2·i runs along edge i, 2·i + 1 against it; `next`
 * has the half edge that follows each around its face, `face` the face to its left (as seen with y upwards). Face 0 is what lies
 * outside of everything. `windings` has for each face how often each path winds around it; `snap` is how near points are one vertex.
 */
export type Arrangement = {
  readonly vertices: readonly Point[]
  readonly edges: readonly Edge[]
  readonly next: Int32Array
  readonly face: Int32Array
  readonly windings: readonly Int32Array[]
  readonly snap: number
}

/** How paths are laid over each other: whether open contours are closed by a straight line, as where they are filled, or only cut. */
export type Laying = { readonly open?: 'close' | 'cut' }

/** By how much the snap grows where what was laid out cannot be right. */
const RETRIES = [1, 8, 64, 512]

/** Lays paths over each other, and verifies it. Throws on coordinates that are not finite, when nothing that can be verified comes of it, and `OutOfTime`. */
export function arrange(paths: readonly Path[], { open = 'close' }: Laying = {}): Arrangement {
  const scale = scaleOf(paths)
  let wrong = ''
  for (const retry of RETRIES) {
    const arrangement = laidOut(paths, open, SNAP * scale * retry, MEETING * scale * retry)
    const found = fault(arrangement, paths.length)
    if (found === null) return arrangement
    wrong = found
  }
  throw new Error(`The outlines meet in a way that cannot be resolved: ${wrong}.`)
}

function laidOut(paths: readonly Path[], open: 'close' | 'cut', snap: number, meeting: number): Arrangement {
  const vertices = new Vertices(snap)
  const pieces = piecesOf(paths, open, snap)
  // Input nodes come first, so that it is their coordinates that survive.
  for (const { curve, cuts } of pieces) cuts.push({ t: 0, vertex: vertices.of(curve.segment.from) }, { t: 1, vertex: vertices.of(curve.segment.to) })
  cutEachOther(pieces, vertices, snap, meeting)
  const edges = mergedEdges(pieces, vertices.points, snap)
  const next = followers(edges, vertices.points.length)
  return { vertices: vertices.points, edges, next, ...facesOf(paths.length, edges, next, vertices.points), snap }
}

/** By how much tolerances grow: 1 up to `REACH`, in proportion beyond it. */
function scaleOf(paths: readonly Path[]): number {
  let most = 0
  for (const path of paths) {
    for (const { segments } of path) {
      for (const { from, to } of segments) most = Math.max(most, Math.abs(from.x), Math.abs(from.y), Math.abs(to.x), Math.abs(to.y))
    }
  }
  if (!Number.isFinite(most)) throw new Error('A coordinate is not a finite number.')
  return Math.max(1, most / REACH)
}

/**
 * Notes on every piece where others cross it, by a sweep along x over the pieces' bounds. What the sweep passes is kept by bands of y, so
 * that a piece is compared with little but its neighbours.
 */
function cutEachOther(pieces: readonly Piece[], vertices: Vertices, snap: number, meeting: number): void {
  const byX = pieces.toSorted((a, b) => a.curve.box.x - b.curve.box.x)
  let top = Infinity, bottom = -Infinity
  for (const { curve } of pieces) {
    top = Math.min(top, curve.box.y)
    bottom = Math.max(bottom, curve.box.y + curve.box.h)
  }
  const count = Math.max(1, Math.min(256, Math.round(Math.sqrt(pieces.length) / 2)))
  const bandOf = (y: number) => Math.max(0, Math.min(count - 1, Math.floor(((y - top) / (bottom - top || 1)) * count)))
  const bands: Piece[][] = Array.from({ length: count }, () => [])
  for (const piece of byX) {
    keepTime()
    const { box } = piece.curve
    const left = box.x - snap, high = box.y - snap, low = box.y + box.h + snap
    const first = bandOf(high), last = bandOf(low)
    for (let b = first; b <= last; b++) {
      const band = bands[b]!
      let kept = 0
      for (let i = 0; i < band.length; i++) {
        const other = band[i]!, far = other.curve.box
        if (far.x + far.w < left) continue
        band[kept++] = other
        // A pair that shares several bands is looked at in the first of them.
        if (far.y <= low && far.y + far.h >= high && (count === 1 || Math.max(first, bandOf(far.y - snap)) === b)) cut(piece, other, vertices, meeting)
      }
      band.length = kept
      band.push(piece)
    }
  }
}

function cut(piece: Piece, other: Piece, vertices: Vertices, meeting: number): void {
  for (const { at, s, t } of intersect(piece.curve as Curve, other.curve, meeting).meetings) {
    const vertex = vertices.of(at)
    piece.cuts.push({ t: s, vertex })
    other.cuts.push({ t, vertex })
  }
}

type Draft = { from: number; to: number; segment: Segment; round: ArcCentre | null; origin: Origin; windings: Winding[] }

/** The stretches between cuts as edges; stretches that run together become one. */
function mergedEdges(pieces: readonly Piece[], points: readonly Point[], snap: number): Edge[] {
  const edges: Draft[] = []
  // The last edge between two vertices, and for each edge the one before it between the same two.
  const between = new Map<number, number>()
  const before: number[] = []
  for (const { path, source, t0, t1, curve, windings, cuts } of pieces) {
    keepTime()
    if (cuts.length > 2) cuts.sort((a, b) => a.t - b.t)
    for (let i = 0; i + 1 < cuts.length; i++) {
      const a = cuts[i]!, b = cuts[i + 1]!
      if (a.vertex === b.vertex) continue
      const start = points[a.vertex]!, end = points[b.vertex]!
      const whole = a.t === 0 && b.t === 1 && start === curve.segment.from && end === curve.segment.to
      const segment = whole ? curve.segment : part(curve.segment, a.t, b.t, start, end, curve.round)
      const key = a.vertex < b.vertex ? a.vertex * points.length + b.vertex : b.vertex * points.length + a.vertex
      let same = between.get(key) ?? -1
      if (same !== -1) {
        const middle = pointAt(segment, 0.5)
        while (same !== -1 && distance(pointAt(edges[same]!.segment, 0.5), middle) > 4 * snap) same = before[same]!
      }
      if (same !== -1) {
        const edge = edges[same]!
        for (const one of windings) addWinding(edge.windings, one.path, edge.from === a.vertex ? one.times : -one.times)
        continue
      }
      before.push(between.get(key) ?? -1)
      between.set(key, edges.length)
      const span = t1 - t0
      edges.push({ from: a.vertex, to: b.vertex, segment, round: curve.round && partOfTurn(curve.round, a.t, b.t), origin: { path, segment: source, from: t0 + a.t * span, to: t0 + b.t * span }, windings: windings.slice() })
    }
  }
  return edges
}
