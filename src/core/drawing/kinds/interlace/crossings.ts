import { boxCentre } from '../../../geometry/box'
import { curveOf } from '../../../geometry/curve'
import { keepTime } from '../../../geometry/deadline'
import { intersect } from '../../../geometry/intersect'
import { segmentLength } from '../../../geometry/lengths'
import { type Contour, type Path, pathBounds } from '../../../geometry/path'
import { cross, distance, type Point } from '../../../geometry/point'
import { directionAt } from '../../../geometry/slope'
import { stretch } from '../../../geometry/stretch'
import { SAME_POINT } from '../../../geometry/tolerance'
import { combine } from '../../../planar/boolean'

/** A line that crosses others: of which member it is, its contour and how long each of its segments is. */
export type Strand = {
  readonly member: number
  readonly contour: Contour
  readonly lengths: readonly number[]
  readonly width: number
}

/** One of the two ways through a crossing: a strand and how far along it, or an area (strand null). */
export type Pass = { readonly member: number; readonly strand: number | null; readonly way: number }

/** Where two members, or one with itself, cross; `region` is what areas have in common. `sin` is of the angle. */
export type Crossing = {
  readonly at: Point
  readonly passes: readonly [Pass, Pass]
  readonly sin: number
  readonly region: Path | null
}

export const strandOf = (member: number, contour: Contour, width: number): Strand => ({
  member,
  contour,
  lengths: contour.segments.map(segmentLength),
  width,
})

/** Every place where strands cross each other or themselves. */
export function strandCrossings(strands: readonly Strand[]): Crossing[] {
  const found: Crossing[] = []
  const all = strands.flatMap(({ contour, lengths }, strand) => {
    let way = 0
    return contour.segments.map((segment, i) => {
      const one = { strand, i, segment, curve: curveOf(segment), way, count: contour.segments.length }
      way += lengths[i]!
      return one
    })
  })
  all.forEach((a, k) => {
    for (const b of all.slice(k + 1)) {
      keepTime()
      const meetings = intersect(a.curve, b.curve).meetings
      const next = a.strand === b.strand && (b.i === a.i + 1 || (a.i === 0 && b.i === a.count - 1))
      for (const { s, t, at } of meetings) {
        // Segments that follow each other meet where one ends: that is no crossing.
        if (next && (distance(at, a.segment.to) < 1e-6 || distance(at, a.segment.from) < 1e-6)) continue
        const sin = Math.abs(cross(directionAt(a.segment, s), directionAt(b.segment, t)))
        if (sin < 0.05 || found.some((other) => distance(other.at, at) < 1e-6)) continue
        const pass = (one: typeof a, at: number): Pass => ({
          member: strands[one.strand]!.member,
          strand: one.strand,
          way: one.way + lengthOf(one.segment, at),
        })
        found.push({ at, passes: [pass(a, s), pass(b, t)], sin, region: null })
      }
    }
  })
  return found
}

const lengthOf = (segment: Contour['segments'][number], t: number): number =>
  t <= 0 ? 0 : segmentLength(t >= 1 ? segment : stretch(segment, 0, t))

/** The parts of the overlap of two areas, each a crossing. */
export function areaCrossings(a: number, first: Path, b: number, second: Path): Crossing[] {
  const common = combine([
    { path: first, role: 'adds' },
    { path: second, role: 'overlap' },
  ])
  return common.map((contour) => ({
    at: boxCentre(pathBounds([contour])!),
    passes: [
      { member: a, strand: null, way: 0 },
      { member: b, strand: null, way: 0 },
    ],
    sin: 1,
    region: [contour],
  }))
}

/** The part of a strand between two lengths along it; those of a closed one go round. */
export function between({ contour: { segments, closed }, lengths }: Strand, from: number, to: number): Contour {
  const whole = lengths.reduce((sum, length) => sum + length, 0)
  if (closed && to - from >= whole) return { segments, closed }
  const parts: Contour['segments'][number][] = []
  let start = 0
  const laps = closed ? [-whole, 0, whole] : [0]
  for (const lap of laps) {
    start = lap
    segments.forEach((segment, i) => {
      const length = lengths[i]!
      const a = Math.max(from, start),
        b = Math.min(to, start + length)
      if (b - a > SAME_POINT)
        parts.push(
          a <= start && b >= start + length ? segment : stretch(segment, (a - start) / length, (b - start) / length),
        )
      start += length
    })
  }
  return { segments: parts, closed: false }
}
