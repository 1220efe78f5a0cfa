import type { Point } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { passes } from '../geometry/winding'
import type { Edge } from './arrangement'

/** Numbers the cycles of half edges: each bounds one face on its left. */
export function cycles(next: Int32Array): { face: Int32Array; count: number } {
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
export function windingsOf(paths: number, edges: readonly Edge[], next: Int32Array, face: Int32Array, count: number, points: readonly Point[]): Int32Array[] {
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
