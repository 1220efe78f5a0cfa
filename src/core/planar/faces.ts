import { sweptTwice } from '../geometry/area'
import { keepTime } from '../geometry/deadline'
import type { Point } from '../geometry/point'
import { segmentBounds } from '../geometry/segment'
import { passes } from '../geometry/winding'
import type { Edge } from './edges'

/**
 * The face to the left of each half edge, and how often each path winds around each face. A face may be bounded by
 * several cycles of half edges: its outside, and the outsides of connected parts that lie in it. `insideOut` when a
 * face is bounded the wrong way round, by more than moving its vertices by the snap makes of it.
 */
export function facesOf(
  paths: number,
  edges: readonly Edge[],
  next: Int32Array,
  points: readonly Point[],
  snap: number,
): { face: Int32Array; windings: Int32Array[]; insideOut: boolean } {
  const { cycle, starts } = cyclesOf(next)
  const part = partsOf(edges, points.length)
  const areas = cycleAreas(edges, cycle, starts.length)
  const outer = outerCycles(edges, starts, part, areas)
  const faceOfCycle = new Int32Array(starts.length).fill(-1)
  let count = 1
  for (let c = 0; c < starts.length; c++)
    if (outer.get(part[edges[starts[c]! >> 1]!.from]!) !== c) faceOfCycle[c] = count++
  placeParts(edges, cycle, starts, part, areas, outer, faceOfCycle, points)
  const slack = slackOf(edges, cycle, starts.length, snap)
  const insideOut = faceOfCycle.some(
    (_, c) => areas[c]! < -slack[c]! && outer.get(part[edges[starts[c]! >> 1]!.from]!) !== c,
  )
  return {
    face: cycle.map((c) => faceOfCycle[c]!),
    windings: spread(paths, count, edges, next, starts, faceOfCycle),
    insideOut,
  }
}

/** Numbers the cycles of half edges, each with a half edge it starts from. */
function cyclesOf(next: Int32Array): { cycle: Int32Array; starts: number[] } {
  const cycle = new Int32Array(next.length).fill(-1)
  const starts: number[] = []
  for (let half = 0; half < next.length; half++) {
    if (cycle[half] !== -1) continue
    for (let h = half; cycle[h] === -1; h = next[h]!) cycle[h] = starts.length
    starts.push(half)
  }
  return { cycle, starts }
}

/** The connected part each vertex belongs to. */
function partsOf(edges: readonly Edge[], count: number): Int32Array {
  const parent = Int32Array.from({ length: count }, (_, i) => i)
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]!]!
    return i
  }
  for (const { from, to } of edges) parent[root(from)] = root(to)
  for (let i = 0; i < count; i++) parent[i] = root(i)
  return parent
}

/** Twice the signed area each cycle encloses. */
function cycleAreas(edges: readonly Edge[], cycle: Int32Array, count: number): Float64Array {
  const areas = new Float64Array(count)
  edges.forEach(({ segment, round }, i) => {
    const swept = sweptTwice(segment, round)
    areas[cycle[2 * i]!]! += swept
    areas[cycle[2 * i + 1]!]! -= swept
  })
  return areas
}

/** By how much twice the area of each cycle may be off when its vertices are moved by a few snaps. */
function slackOf(edges: readonly Edge[], cycle: Int32Array, count: number, snap: number): Float64Array {
  const slack = new Float64Array(count)
  edges.forEach(({ from, to, segment }, i) => {
    if (from === to) return
    const off = 8 * snap * (Math.abs(segment.from.x - segment.to.x) + Math.abs(segment.from.y - segment.to.y) + snap)
    slack[cycle[2 * i]!]! += off
    slack[cycle[2 * i + 1]!]! += off
  })
  return slack
}

/**
 * The cycle on the outside of each connected part: of its cycles, the one that encloses least, which is the one the
 * wrong way round.
 */
function outerCycles(
  edges: readonly Edge[],
  starts: readonly number[],
  part: Int32Array,
  areas: Float64Array,
): Map<number, number> {
  const outer = new Map<number, number>()
  starts.forEach((half, c) => {
    const own = part[edges[half >> 1]!.from]!
    const known = outer.get(own)
    if (known === undefined || areas[c]! < areas[known]!) outer.set(own, c)
  })
  return outer
}

type Part = { readonly id: number; readonly edges: number[]; x0: number; y0: number; x1: number; y1: number }

/**
 * Gives the outside of each connected part the face it lies in: that of the least cycle of another part that winds
 * around it, or face 0.
 */
function placeParts(
  edges: readonly Edge[],
  cycle: Int32Array,
  starts: readonly number[],
  part: Int32Array,
  areas: Float64Array,
  outer: ReadonlyMap<number, number>,
  faceOfCycle: Int32Array,
  points: readonly Point[],
): void {
  if (outer.size === 1) {
    for (const c of outer.values()) faceOfCycle[c] = 0
    return
  }
  const parts = new Map<number, Part>()
  const boxes = edges.map(({ segment, round }) => segmentBounds(segment, round ?? undefined))
  edges.forEach(({ from }, i) => {
    const id = part[from]!,
      box = boxes[i]!
    let known = parts.get(id)
    if (!known) parts.set(id, (known = { id, edges: [], x0: Infinity, y0: Infinity, x1: -Infinity, y1: -Infinity }))
    known.edges.push(i)
    known.x0 = Math.min(known.x0, box.x)
    known.y0 = Math.min(known.y0, box.y)
    known.x1 = Math.max(known.x1, box.x + box.w)
    known.y1 = Math.max(known.y1, box.y + box.h)
  })
  const around = new Map<number, number>()
  const active: Part[] = []
  for (const own of [...parts.values()].sort((a, b) => a.x0 - b.x0 || b.x1 - a.x1)) {
    const at = points[edges[own.edges[0]!]!.from]!
    let best = -1,
      kept = 0
    for (const other of active) {
      if (other.x1 < own.x0) continue
      active[kept++] = other
      if (other.x1 < own.x1 || other.y0 > own.y0 || other.y1 < own.y1) continue
      around.clear()
      for (const i of other.edges) {
        const times = passes(edges[i]!.segment, at, boxes[i])
        if (times === 0) continue
        around.set(cycle[2 * i]!, (around.get(cycle[2 * i]!) ?? 0) + times)
        around.set(cycle[2 * i + 1]!, (around.get(cycle[2 * i + 1]!) ?? 0) - times)
      }
      for (const [c, times] of around)
        if (times !== 0 && areas[c]! > 0 && (best === -1 || areas[c]! < areas[best]!)) best = c
    }
    active.length = kept
    active.push(own)
    const mine = outer.get(own.id)!
    faceOfCycle[mine] = best === -1 ? 0 : faceOfCycle[best]!
    keepTime()
  }
}

/** How often each path winds around each face: not at all around face 0, then carried across the edges. */
function spread(
  paths: number,
  faces: number,
  edges: readonly Edge[],
  next: Int32Array,
  starts: readonly number[],
  faceOfCycle: Int32Array,
): Int32Array[] {
  const cyclesOfFace: number[][] = Array.from({ length: faces }, () => [])
  const face = new Int32Array(next.length)
  starts.forEach((start, c) => {
    cyclesOfFace[faceOfCycle[c]!]!.push(start)
    for (let half = start; ;) {
      face[half] = faceOfCycle[c]!
      half = next[half]!
      if (half === start) break
    }
  })
  // One block of memory for all of them.
  const block = new Int32Array(faces * paths)
  const windings: (Int32Array | undefined)[] = new Array(faces)
  windings[0] = block.subarray(0, paths)
  const pending = [0]
  while (pending.length > 0) {
    const here = pending.pop()!
    for (const start of cyclesOfFace[here]!) {
      for (let half = start; ;) {
        const across = face[half ^ 1]!
        if (!windings[across]) {
          block.copyWithin(across * paths, here * paths, (here + 1) * paths)
          const there = block.subarray(across * paths, (across + 1) * paths)
          // A path winds once more around the face on its left than around the face on its right.
          for (const { path, times } of edges[half >> 1]!.windings) there[path]! += half & 1 ? times : -times
          windings[across] = there
          pending.push(across)
        }
        half = next[half]!
        if (half === start) break
      }
    }
  }
  return windings as Int32Array[]
}
