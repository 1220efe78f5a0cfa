import { type ArcCentre, arcFromAngles, keepingCentre } from '../geometry/arc'
import { stretch } from '../geometry/stretch'
import type { Contour, Path } from '../geometry/path'
import { cross, distance, dot, hypot, subtract } from '../geometry/point'
import { type Arc, line, reverse, type Segment } from '../geometry/segment'
import type { Arrangement } from './plane'
import type { Origin } from './edges'
import { SAME_PARAMETER } from '../geometry/tolerance'

/**
 * The outline of a set of faces: closed contours with the inside on one side throughout, so that outer contours run one
 * way and holes the other. Edges that are parts of one line, one ellipse or one cubic are joined again, so that no node
 * is left where nothing turns.
 */
export function outlineOf(arrangement: Arrangement, inside: (face: number) => boolean): Path {
  return outlineFrom(arrangement, inside, arrangement.next.keys(), new Uint8Array(arrangement.next.length))
}

/** A contour of an outline, and of which segment of a path each of its segments is a part. */
export type Traced = { readonly contour: Contour; readonly origins: readonly Origin[] }

/** The outline of a set of faces, with where each of its segments comes from. */
export const tracedOutline = (arrangement: Arrangement, inside: (face: number) => boolean): Traced[] =>
  tracedFrom(arrangement, inside, arrangement.next.keys(), new Uint8Array(arrangement.next.length))

/** The part of an outline that runs along given half edges; `used` marks those that are done with. */
export const outlineFrom = (
  arrangement: Arrangement,
  inside: (face: number) => boolean,
  starts: Iterable<number>,
  used: Uint8Array,
): Path => tracedFrom(arrangement, inside, starts, used).map(({ contour }) => contour)

function tracedFrom(
  { edges, next, face, snap }: Arrangement,
  inside: (face: number) => boolean,
  starts: Iterable<number>,
  used: Uint8Array,
): Traced[] {
  const isEdge = (half: number) => inside(face[half]!) && !inside(face[half ^ 1]!)
  const contours: Traced[] = []
  for (const start of starts) {
    if (used[start] || !isEdge(start)) continue
    const run: Stretch[] = []
    for (let half = start; !used[half];) {
      used[half] = 1
      const { segment, round, origin } = edges[half >> 1]!
      run.push(
        half & 1
          ? { segment: reverse(segment), origin, forth: false, arc: round && turnedRound(round) }
          : { segment, origin, forth: true, arc: round },
      )
      // The next edge of the outline around the vertex, past those that have the inside on both sides.
      half = next[half]!
      while (!isEdge(half)) half = next[half ^ 1]!
    }
    const { segments, origins } = joined(run, snap)
    if (segments.length > 0) contours.push({ contour: { segments, closed: true }, origins })
  }
  return contours
}

/**
 * A segment of an outline and where it comes from; `forth` when it runs the way its origin does; of an arc its centre
 * and angles.
 */
type Stretch = {
  readonly segment: Segment
  readonly origin: Origin
  readonly forth: boolean
  readonly arc: ArcCentre | null
}

const turnedRound = (round: ArcCentre): ArcCentre => ({
  ...round,
  start: round.start + round.extent,
  extent: -round.extent,
})

/** Stretches of one carrier that follow each other as one, around the whole contour. */
function joined(run: readonly Stretch[], snap: number): { segments: Segment[]; origins: Origin[] } {
  const result: Stretch[] = []
  for (const stretch of run) {
    const last = result[result.length - 1]
    const one = last && join(last, stretch, snap)
    if (one) result[result.length - 1] = one
    else result.push(stretch)
  }
  // The contour has no beginning: its end may go on in what came first.
  while (result.length > 1) {
    const one = join(result[result.length - 1]!, result[0]!, snap)
    if (!one) break
    result.pop()
    result[0] = one
  }
  const segments: Segment[] = [],
    origins: Origin[] = []
  for (const { segment, arc, origin } of result) {
    if (segment.kind !== 'arc') segments.push(segment)
    else if (Math.abs(arc!.extent) > LONGEST) segments.push(...inTwo(segment, arc!))
    else segments.push(keepingCentre(segment, arc!))
    while (origins.length < segments.length) origins.push(origin)
  }
  return segments.length < 2 ? { segments: [], origins: [] } : { segments, origins }
}

/** Arcs longer than this are cut in two: near a full turn, rounding the ends of an arc would move its centre. */
const LONGEST = (340 * Math.PI) / 180

function join(a: Stretch, b: Stretch, snap: number): Stretch | null {
  const p = a.segment,
    q = b.segment
  if (p.kind === 'line' && q.kind === 'line') {
    const d = subtract(p.to, p.from),
      e = subtract(q.to, q.from),
      whole = subtract(q.to, p.from)
    const bent = Math.abs(cross(whole, d)) / hypot(whole.x, whole.y)
    return dot(d, e) > 0 && bent <= snap ? { ...a, segment: line(p.from, q.to) } : null
  }
  if (p.kind === 'arc' && q.kind === 'arc' && oneEllipse(p, a.arc!, q, b.arc!, snap)) {
    const extent = a.arc!.extent + b.arc!.extent
    return { ...a, arc: { ...a.arc!, extent }, segment: { ...p, to: q.to, large: Math.abs(extent) > Math.PI } }
  }
  return p.kind === 'cubic' && q.kind === 'cubic' ? oneCubic(a, b) : null
}

function oneEllipse(p: Arc, a: ArcCentre, q: Arc, b: ArcCentre, snap: number): boolean {
  const near = 8 * snap
  if (p.sweep !== q.sweep || Math.abs(a.extent + b.extent) > 2 * Math.PI + 1e-6) return false
  if (distance(a.centre, b.centre) > near || Math.abs(a.rx - b.rx) > near || Math.abs(a.ry - b.ry) > near) return false
  return Math.abs(a.rx - a.ry) <= near || Math.abs(Math.sin(p.turn - q.turn)) * Math.max(a.rx, a.ry) <= near
}

/** Two parts of one cubic that follow each other, as one part. */
function oneCubic(a: Stretch, b: Stretch): Stretch | null {
  if (a.origin.segment !== b.origin.segment || a.forth !== b.forth) return null
  const [first, second] = a.forth ? [a.origin, b.origin] : [b.origin, a.origin]
  if (Math.abs(first.to - second.from) > SAME_PARAMETER) return null
  const origin = { ...first, to: second.to }
  const [start, end] = a.forth ? [a.segment.from, b.segment.to] : [b.segment.to, a.segment.from]
  const whole = stretch(origin.segment, origin.from, origin.to, start, end)
  return { ...a, origin, segment: a.forth ? whole : reverse(whole) }
}

/** A long arc as two, cut in its middle. */
function inTwo(arc: Arc, round: ArcCentre): Segment[] {
  const { centre, rx, ry, start, extent } = round
  const full = arc.from.x === arc.to.x && arc.from.y === arc.to.y
  const far = full
    ? { x: 2 * centre.x - arc.from.x, y: 2 * centre.y - arc.from.y }
    : arcFromAngles(centre, rx, ry, arc.turn, start + extent / 2)
  const half = { ...round, extent: extent / 2 }
  return [
    keepingCentre({ ...arc, to: far, large: false }, half),
    keepingCentre({ ...arc, from: far, large: false }, half),
  ]
}
