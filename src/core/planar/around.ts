import { keepTime } from '../geometry/deadline'
import { tangent } from '../geometry/part'
import { distance } from '../geometry/point'
import { pointAt, reverse, type Segment } from '../geometry/segment'
import type { Edge } from './arrangement'

/** For each half edge the one that follows it around its face: at its end, the neighbour of its twin, clockwise with y upwards. */
export function followers(edges: readonly Edge[], vertices: number): Int32Array {
  // The last half edge that leaves each vertex, and for each half edge the one before it that leaves the same.
  const last = new Int32Array(vertices).fill(-1), before = new Int32Array(2 * edges.length)
  edges.forEach(({ from, to }, i) => {
    before[2 * i] = last[from]!
    last[from] = 2 * i
    before[2 * i + 1] = last[to]!
    last[to] = 2 * i + 1
  })
  const next = new Int32Array(2 * edges.length)
  for (let v = 0; v < vertices; v++) {
    const a = last[v]!
    if (a === -1) continue
    const b = before[a]!
    if (b === -1) next[a ^ 1] = a
    else if (before[b] === -1) {
      next[a ^ 1] = b
      next[b ^ 1] = a
    } else {
      keepTime()
      const halves: number[] = []
      for (let half = a; half !== -1; half = before[half]!) halves.push(half)
      const around = sorted(halves, edges)
      around.forEach((half, i) => {
        next[half ^ 1] = around[(i + around.length - 1) % around.length]!
      })
    }
  }
  return next
}

/** Directions that differ by less than this are told apart farther along the edges. */
const ALIKE = 1e-3

/** Half edges that leave one vertex in the order of their directions; those that leave alike, by where they are a little later. */
function sorted(halves: readonly number[], edges: readonly Edge[]): number[] {
  const n = halves.length, leaving: { half: number; segment: Segment; angle: number }[] = []
  for (const half of halves) {
    const { segment, round } = edges[half >> 1]!
    const d = tangent(segment, (half & 1) === 1, round)
    const angle = half & 1 ? Math.atan2(-d.y, -d.x) : Math.atan2(d.y, d.x)
    let i = leaving.length
    while (i > 0 && leaving[i - 1]!.angle > angle) i--
    leaving.splice(i, 0, { half, segment, angle })
  }
  if (leaving.every(({ angle }, i) => turn(leaving[(i + n - 1) % n]!.angle, angle) >= ALIKE)) return leaving.map(({ half }) => half)
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
      const later = new Map(run.map((one) => [one, turn(base - Math.PI, directionFrom(one.half & 1 ? reverse(one.segment) : one.segment, reach))]))
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
function directionFrom(segment: Segment, reach: number): number {
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
