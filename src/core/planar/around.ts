import type { ArcCentre } from '../geometry/arc'
import { keepTime } from '../geometry/deadline'
import { tangent } from '../geometry/stretch'
import { distance } from '../geometry/point'
import { pointAt, reverse, type Segment } from '../geometry/segment'
import type { Edge } from './edges'

/**
 * For each half edge the one that follows it around its face: at its end, the neighbour of its twin, clockwise with y
 * upwards.
 */
export function followers(edges: readonly Edge[], vertices: number, snap: number): Int32Array {
  // The last half edge that leaves each vertex, and for each half edge the one before it that leaves the same.
  const last = new Int32Array(vertices).fill(-1),
    before = new Int32Array(2 * edges.length)
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
      const around = sorted(halves, edges, snap)
      around.forEach((half, i) => {
        next[half ^ 1] = around[(i + around.length - 1) % around.length]!
      })
    }
  }
  return next
}

/** Directions that differ by less than this, in radians, are compared farther along their edges. */
const ALIKE = 1e-3

/** The uncertainty of an edge's direction, in snaps over its length: its ends were moved to their vertices. */
const MOVED = 8

type Leaving = {
  readonly half: number
  readonly angle: number
  readonly segment: Segment
  readonly round: ArcCentre | null
}

/**
 * Half edges that leave one vertex in the order of their directions; those that leave alike, by where they are a little
 * later.
 */
function sorted(halves: readonly number[], edges: readonly Edge[], snap: number): number[] {
  const n = halves.length,
    leaving: Leaving[] = []
  let shortest = Infinity
  for (const half of halves) {
    const { segment, round } = edges[half >> 1]!
    const d = tangent(segment, (half & 1) === 1, round)
    const angle = half & 1 ? Math.atan2(-d.y, -d.x) : Math.atan2(d.y, d.x)
    shortest = Math.min(shortest, distance(segment.from, segment.to))
    const one = { half, angle, segment, round }
    let i = leaving.length
    for (; i > 0 && leaving[i - 1]!.angle > angle; i--) leaving[i] = leaving[i - 1]!
    leaving[i] = one
  }
  const alike = Math.max(ALIKE, Math.min(1, (MOVED * snap) / shortest))
  const isAlike = (a: Leaving, b: Leaving) => turn(a.angle, b.angle) < alike
  if (!leaving.some((one, i) => isAlike(leaving[(i || n) - 1]!, one))) return leaving.map(({ half }) => half)
  // The sort must not begin within a group of equal directions.
  let first = 0
  while (first < n && isAlike(leaving[(first + n - 1) % n]!, leaving[first]!)) first++
  const result: number[] = []
  for (let i = 0; i < n;) {
    const at = (k: number) => leaving[(first + k) % n]!
    let end = i + 1
    while (end < n && isAlike(at(end - 1), at(end))) end++
    if (end === i + 1) result.push(at(i).half)
    else result.push(...farther(Array.from({ length: end - i }, (_, k) => at(i + k))))
    i = end
  }
  return result
}

/** Orders half edges of equal direction by where they are shortly before the end of the shortest of them. */
function farther(run: readonly Leaving[]): number[] {
  const base = run[0]!.angle - Math.PI
  const reach = 0.4 * Math.min(...run.map(({ segment }) => distance(segment.from, segment.to)))
  const later = run.map((one) => ({ half: one.half, angle: turn(base, directionFrom(one, reach)) }))
  return later.sort((a, b) => a.angle - b.angle).map(({ half }) => half)
}

/** From one angle to another, anticlockwise, 0 to 2π. */
const turn = (from: number, to: number): number => (((to - from) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)

/** The direction from a segment's start to the first place that is `reach` away from it. */
function directionFrom({ segment, half, round, angle }: Leaving, reach: number): number {
  if (segment.kind === 'line') return angle
  // A chord of a circle turns from its tangent by half of the arc's angle.
  if (round && round.rx === round.ry)
    return angle + Math.sign(round.extent) * (half & 1 ? -1 : 1) * Math.asin(Math.min(1, reach / (2 * round.rx)))
  const forth = half & 1 ? reverse(segment) : segment,
    { from } = forth
  let lo = 0,
    hi = 1
  for (let t = 1 / 32; t < 1; t += 1 / 32) {
    if (distance(pointAt(forth, t), from) >= reach) {
      hi = t
      break
    }
    lo = t
  }
  for (let i = 0; i < 40; i++) {
    const t = (lo + hi) / 2
    if (distance(pointAt(forth, t), from) >= reach) hi = t
    else lo = t
  }
  const p = pointAt(forth, hi)
  return Math.atan2(p.y - from.y, p.x - from.x)
}
