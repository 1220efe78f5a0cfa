import type { Arrangement } from './plane'

/**
 * The fault of an arrangement in a few words; null if it is planar. The winding number of each path differs between the
 * faces on both sides of an edge by the times the path runs along it, so that windings balance at every vertex; and
 * every connected part has two more vertices and cycles than edges (Euler), so that edges are in order around every
 * vertex.
 */
export function fault({ vertices, edges, next, face, windings }: Arrangement, paths: number): string | null {
  const expected = new Int32Array(paths)
  for (let i = 0; i < edges.length; i++) {
    const left = windings[face[2 * i]!],
      right = windings[face[2 * i + 1]!],
      own = edges[i]!.windings
    if (!left || !right) return 'a face is not reached'
    for (let k = 0; k < own.length; k++) expected[own[k]!.path]! += own[k]!.times
    let off = 0
    for (let p = 0; p < paths; p++) off |= left[p]! - right[p]! - expected[p]!
    for (let k = 0; k < own.length; k++) expected[own[k]!.path] = 0
    if (off !== 0) return 'windings do not balance'
  }
  return planar(vertices.length, edges, next) ? null : 'edges cross at a vertex'
}

/** Euler's formula for all connected parts together: each has as many vertices and cycles as edges, and two more. */
function planar(count: number, edges: Arrangement['edges'], next: Int32Array): boolean {
  const parent = new Int32Array(count).fill(-1)
  const root = (i: number): number => {
    while (parent[i]! !== i) i = parent[i] = parent[parent[i]!]!
    return i
  }
  let used = 0,
    parts = 0
  for (const { from, to } of edges) {
    for (const v of [from, to]) {
      if (parent[v] !== -1) continue
      parent[v] = v
      used++
      parts++
    }
    const a = root(from),
      b = root(to)
    if (a === b) continue
    parent[a] = b
    parts--
  }
  const seen = new Uint8Array(next.length)
  let cycles = 0
  for (let half = 0; half < next.length; half++) {
    if (seen[half]) continue
    cycles++
    for (let h = half; !seen[h]; h = next[h]!) seen[h] = 1
  }
  return used - edges.length + cycles === 2 * parts
}
