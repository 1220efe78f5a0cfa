import { arcCentre } from '../../geometry/arc'
import type { Path } from '../../geometry/path'
import { cross, distance, dot, type Point, subtract } from '../../geometry/point'
import type { Segment } from '../../geometry/segment'
import { directionAt } from '../../geometry/slope'
import { isCircular, parallel } from '../parallel'

/**
 * What centre lines run along: a straight line through a place, a circle, or a curve that is known only from one side of
 * the area. `marks` are the places at which something may begin, end or meet: along a line in units, on a circle in
 * radians, on a curve its ends.
 */
export type Carrier =
  | { readonly kind: 'line'; readonly at: Point; readonly along: Point; readonly marks: number[] }
  | { readonly kind: 'circle'; readonly centre: Point; readonly r: number; readonly marks: number[] }
  | { readonly kind: 'curve'; readonly segment: Segment; readonly marks: number[] }

/** Carriers, and the places at which strokes end. */
export type Carriers = { readonly carriers: readonly Carrier[]; readonly ends: readonly Point[] }

/**
 * The carriers of the centre lines of an area that is `2 * half` thick: what runs so far inside of its outline. What two
 * sides tell of one centre line is one carrier, where it is the same within `near`.
 */
export function carriersOf(area: Path, inward: 1 | -1, half: number, near: number): Carriers {
  const carriers: Carrier[] = []
  const inner = area
    .flatMap(({ segments }) => segments)
    .flatMap((segment) => parallel(segment, inward * half))
    .map((segment) => ({ segment, long: lengthOf(segment) }))
    .filter(({ long }) => long > near)
    .sort((a, b) => b.long - a.long)
  for (const { segment } of inner) {
    if (segment.kind === 'line') addLine(carriers, segment.from, segment.to, near)
    else if (segment.kind === 'arc' && isCircular(segment)) addArc(carriers, segment, near)
    else {
      carriers.push({ kind: 'curve', segment, marks: [0, 1] })
      // A free end may be extended straight to the next carrier.
      for (const [p, t, way] of [
        [segment.from, 0, -1],
        [segment.to, 1, 1],
      ] as const) {
        if (inner.some((other) => other.segment !== segment && isEndOf(other.segment, p, near))) continue
        const d = directionAt(segment, t)
        addLine(carriers, p, { x: p.x + way * half * d.x, y: p.y + way * half * d.y }, near)
      }
    }
  }
  for (const [i, a] of carriers.entries()) for (const b of carriers.slice(i + 1)) markMeetings(a, b, near)
  const ends = roundEnds(area, half, near)
  for (const end of ends) for (const one of carriers) markEnd(one, end, near)
  return { carriers, ends }
}

/** What turns at least as far around a place, in radians, is a round cap. */
const CAP = 2.4

/** The middles of the round caps of an area: where a stroke ends, though nothing of its sides be seen. */
function roundEnds(area: Path, half: number, near: number): Point[] {
  return area.flatMap(({ segments }) =>
    segments.flatMap((segment) => {
      if (segment.kind !== 'arc' || Math.abs(segment.rx - half) > near || !isCircular(segment)) return []
      const { centre, extent } = arcCentre(segment)
      return Math.abs(extent) >= CAP ? [centre] : []
    }),
  )
}

function markEnd(one: Carrier, p: Point, near: number): void {
  if (one.kind === 'line' && Math.abs(offLine(one, p)) <= near) one.marks.push(alongLine(one, p))
  if (one.kind === 'circle' && Math.abs(distance(one.centre, p) - one.r) <= near) one.marks.push(angleOn(one, p))
}

const isEndOf = ({ from, to }: Segment, p: Point, near: number): boolean =>
  distance(from, p) <= near || distance(to, p) <= near

function lengthOf(segment: Segment): number {
  if (segment.kind !== 'arc') return distance(segment.from, segment.to)
  return arcCentre(segment).rx * Math.abs(arcCentre(segment).extent)
}

type Line = Extract<Carrier, { kind: 'line' }>
type Round = Extract<Carrier, { kind: 'circle' }>

export const alongLine = ({ at, along }: Line, p: Point): number => dot(subtract(p, at), along)
const offLine = ({ at, along }: Line, p: Point): number => cross(along, subtract(p, at))
const angleOn = ({ centre }: Round, p: Point): number => Math.atan2(p.y - centre.y, p.x - centre.x)

function addLine(carriers: Carrier[], from: Point, to: Point, near: number): void {
  let line = carriers.find(
    (one): one is Line =>
      one.kind === 'line' && Math.abs(offLine(one, from)) <= near && Math.abs(offLine(one, to)) <= near,
  )
  if (!line) {
    const long = distance(from, to)
    line = { kind: 'line', at: from, along: { x: (to.x - from.x) / long, y: (to.y - from.y) / long }, marks: [] }
    carriers.push(line)
  }
  line.marks.push(alongLine(line, from), alongLine(line, to))
}

function addArc(carriers: Carrier[], segment: Extract<Segment, { kind: 'arc' }>, near: number): void {
  const { centre, rx } = arcCentre(segment)
  let circle = carriers.find(
    (one): one is Round =>
      one.kind === 'circle' && distance(one.centre, centre) <= 2 * near && Math.abs(one.r - rx) <= 2 * near,
  )
  if (!circle) carriers.push((circle = { kind: 'circle', centre, r: rx, marks: [] }))
  circle.marks.push(angleOn(circle, segment.from), angleOn(circle, segment.to))
}

/** Marks the crossings of two carriers. Near-touching carriers are decided by the drawn stretches. */
function markMeetings(a: Carrier, b: Carrier, near: number): void {
  if (a.kind === 'curve' || b.kind === 'curve') return
  for (const p of meetings(a, b, near))
    for (const one of [a, b]) one.marks.push(one.kind === 'line' ? alongLine(one, p) : angleOn(one, p))
}

/** Directions that differ by less, as a sine, are one. */
const PARALLEL = 1e-3

function meetings(a: Line | Round, b: Line | Round, near: number): Point[] {
  if (a.kind === 'line' && b.kind === 'line') {
    const bend = cross(a.along, b.along)
    if (Math.abs(bend) < PARALLEL) return []
    const s = cross(subtract(b.at, a.at), b.along) / bend
    return [{ x: a.at.x + s * a.along.x, y: a.at.y + s * a.along.y }]
  }
  if (a.kind === 'circle' && b.kind === 'line') return meetings(b, a, near)
  if (a.kind === 'line' && b.kind === 'circle') {
    const foot = alongLine(a, b.centre),
      off = Math.abs(offLine(a, b.centre))
    if (off > b.r - 2 * near) return []
    const way = Math.sqrt(b.r * b.r - off * off)
    return [foot - way, foot + way].map((s) => ({ x: a.at.x + s * a.along.x, y: a.at.y + s * a.along.y }))
  }
  const [p, q] = [a as Round, b as Round]
  const apart = distance(p.centre, q.centre)
  if (apart > p.r + q.r - 2 * near || apart < Math.abs(p.r - q.r) + 2 * near) return []
  const x = (apart * apart + p.r * p.r - q.r * q.r) / (2 * apart),
    y = Math.sqrt(Math.max(0, p.r * p.r - x * x))
  const u = { x: (q.centre.x - p.centre.x) / apart, y: (q.centre.y - p.centre.y) / apart }
  return [y, -y].map((k) => ({ x: p.centre.x + x * u.x - k * u.y, y: p.centre.y + x * u.y + k * u.x }))
}
