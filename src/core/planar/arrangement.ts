import { type Curve, curveOf, powers } from '../geometry/curve'
import { intersect } from '../geometry/intersect'
import { part, tangent } from '../geometry/part'
import type { Path } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { rootsOnUnit } from '../geometry/roots'
import { line, pointAt, reverse, type Segment } from '../geometry/segment'
import { SNAP } from '../geometry/tolerance'
import { passes } from '../geometry/winding'
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
  const next = order(edges, vertices.points)
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
          if (distance(segment.from, segment.to) > SNAP) pieces.push({ path: index, source, t0, t1, curve: curveOf(segment), cuts: [] })
        }
      }
    }
  })
  return pieces
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

/** For each half edge the one that follows it around its face: at its end, the neighbour of its twin, clockwise with y upwards. */
function order(edges: readonly Edge[], points: readonly Point[]): Int32Array {
  const outgoing: number[][] = points.map(() => [])
  edges.forEach(({ from, to }, i) => {
    outgoing[from]!.push(2 * i)
    outgoing[to]!.push(2 * i + 1)
  })
  const next = new Int32Array(2 * edges.length)
  for (const halves of outgoing) {
    const around = sorted(halves, edges)
    around.forEach((half, i) => {
      next[half ^ 1] = around[(i + around.length - 1) % around.length]!
    })
  }
  return next
}

/** Directions that differ by less than this are told apart farther along the edges. */
const ALIKE = 1e-3

/** Half edges that leave one vertex in the order of their directions; those that leave alike, by where they are a little later. */
function sorted(halves: readonly number[], edges: readonly Edge[]): number[] {
  const leaving = halves.map((half) => {
    const segment = half & 1 ? reverse(edges[half >> 1]!.segment) : edges[half >> 1]!.segment
    const d = tangent(segment, false)
    return { half, segment, angle: Math.atan2(d.y, d.x) }
  })
  leaving.sort((a, b) => a.angle - b.angle)
  const n = leaving.length
  // A run of like directions must not be torn apart where angles start over.
  let first = 0
  while (first < n && turn(leaving[(first + n - 1) % n]!.angle, leaving[first]!.angle) < ALIKE) first++
  const round = Array.from({ length: n }, (_, i) => leaving[(first + i) % n]!)
  const result: number[] = []
  for (let i = 0; i < n; ) {
    let end = i + 1
    while (end < n && turn(round[end - 1]!.angle, round[end]!.angle) < ALIKE) end++
    const run = round.slice(i, end)
    if (run.length > 1) {
      const base = run[0]!.angle
      const reach = 0.4 * Math.min(...run.map(({ segment }) => distance(segment.from, segment.to)))
      const later = new Map(run.map((one) => [one, turn(base - Math.PI, directionAt(one.segment, reach))]))
      run.sort((a, b) => later.get(a)! - later.get(b)!)
    }
    result.push(...run.map(({ half }) => half))
    i = end
  }
  return result
}

/** From one angle to another, anticlockwise, 0 to 2π. */
const turn = (from: number, to: number): number => (((to - from) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)

/** The direction from a segment's start to the first place that is `reach` away from it. */
function directionAt(segment: Segment, reach: number): number {
  const { from } = segment
  let lo = 0, hi = 1
  for (let t = 1 / 32; t < 1; t += 1 / 32) {
    if (distance(pointAt(segment, t), from) >= reach) {
      hi = t
      break
    }
    lo = t
  }
  for (let i = 0; i < 40; i++) {
    const t = (lo + hi) / 2
    if (distance(pointAt(segment, t), from) >= reach) hi = t
    else lo = t
  }
  const p = pointAt(segment, hi)
  return Math.atan2(p.y - from.y, p.x - from.x)
}

/** Numbers the cycles of half edges: each bounds one face on its left. */
function cycles(next: Int32Array): { face: Int32Array; count: number } {
  const face = new Int32Array(next.length).fill(-1)
  let count = 0
  for (let half = 0; half < next.length; half++) {
    if (face[half] !== -1) continue
    for (let h = half; face[h] === -1; h = next[h]!) face[h] = count
    count++
  }
  return { face, count }
}

/** How often each path winds around the face of each cycle: known outside each connected part, then carried from edge to edge. */
function windingsOf(paths: number, edges: readonly Edge[], next: Int32Array, face: Int32Array, count: number, points: readonly Point[]): Int32Array[] {
  const part = parts(edges, points.length)
  const windings: (Int32Array | undefined)[] = new Array(count)
  for (const outer of outerCycles(edges, next, face, count, part)) {
    const at = points[edges[outer >> 1]!.from]!, own = part[edges[outer >> 1]!.from]
    const around = new Int32Array(paths)
    for (const { from, segment, windings: sources } of edges) {
      if (part[from] === own) continue
      const count = passes(segment, at)
      if (count !== 0) for (const [path, times] of sources) around[path]! += count * times
    }
    windings[face[outer]!] = around
    const pending = [outer]
    while (pending.length > 0) {
      const start = pending.pop()!
      const here = windings[face[start]!]!
      for (let half = start; ; ) {
        const across = half ^ 1
        if (!windings[face[across]!]) {
          const there = Int32Array.from(here)
          // A path winds once more around what is on its left than around what is on its right.
          for (const [path, times] of edges[half >> 1]!.windings) there[path]! += half & 1 ? times : -times
          windings[face[across]!] = there
          pending.push(across)
        }
        half = next[half]!
        if (half === start) break
      }
    }
  }
  return windings as Int32Array[]
}

/** The connected part each vertex belongs to. */
function parts(edges: readonly Edge[], count: number): Int32Array {
  const parent = Int32Array.from({ length: count }, (_, i) => i)
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]!]!
    return i
  }
  for (const { from, to } of edges) parent[root(from)] = root(to)
  return parent.map((_, i) => root(i))
}

/** A half edge on the outside of each connected part: of its cycles, the one that encloses least, which is the one the wrong way round. */
function outerCycles(edges: readonly Edge[], next: Int32Array, face: Int32Array, count: number, part: Int32Array): number[] {
  const best = new Map<number, { half: number; area: number }>()
  const seen = new Uint8Array(count)
  for (let half = 0; half < next.length; half++) {
    if (seen[face[half]!]) continue
    seen[face[half]!] = 1
    let area = 0
    for (let h = half; ; ) {
      area += (h & 1 ? -1 : 1) * under(edges[h >> 1]!.segment)
      h = next[h]!
      if (h === half) break
    }
    const own = part[edges[half >> 1]!.from]!
    const known = best.get(own)
    if (!known || area < known.area) best.set(own, { half, area })
  }
  return [...best.values()].map(({ half }) => half)
}

/** Twice the area between a segment and the origin, by the trapezium rule on enough chords to tell which way a cycle runs. */
function under(segment: Segment): number {
  const n = segment.kind === 'line' ? 1 : 24
  let sum = 0, before = segment.from
  for (let i = 1; i <= n; i++) {
    const p = i === n ? segment.to : pointAt(segment, i / n)
    sum += before.x * p.y - p.x * before.y
    before = p
  }
  return sum
}
