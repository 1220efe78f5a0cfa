import { type Curve, curveOf, powers } from '../geometry/curve'
import { part } from '../geometry/part'
import type { Path } from '../geometry/path'
import { cross, distance, type Point, subtract } from '../geometry/point'
import { rootsOnUnit } from '../geometry/roots'
import { type Cubic, line, type Segment } from '../geometry/segment'

/** A stretch of an input segment that does not meet itself, and where others cut it. `encloses` when it is part of what a path's winding counts. */
export type Piece = {
  readonly path: number
  readonly source: Segment
  readonly t0: number
  readonly t1: number
  readonly curve: Curve
  readonly encloses: boolean
  readonly cuts: { t: number; vertex: number }[]
}

/** Segments as pieces; cubics are cut where they turn back along x or y, so that no piece meets itself. */
export function piecesOf(paths: readonly Path[], open: 'close' | 'cut', snap: number): Piece[] {
  const pieces: Piece[] = []
  paths.forEach((path, index) => {
    for (const { segments, closed } of path) {
      if (segments.length === 0) continue
      const encloses = closed || open === 'close'
      const first = segments[0]!.from, last = segments[segments.length - 1]!.to
      const add = (source: Segment, t0: number, t1: number) => {
        const segment = t0 === 0 && t1 === 1 ? source : part(source, t0, t1)
        const short = distance(segment.from, segment.to) <= snap
        if (short && (segment.kind !== 'arc' || !segment.large)) return
        // A cubic that runs straight is a line: only so can it share a stretch with one.
        if (isStraight(segment, snap)) {
          const straight = line(segment.from, segment.to)
          pieces.push({ path: index, source: straight, t0: 0, t1: 1, curve: curveOf(straight), encloses, cuts: [] })
        } else pieces.push({ path: index, source, t0, t1, curve: curveOf(segment), encloses, cuts: [] })
      }
      for (const source of segments) {
        if (source.kind !== 'cubic') {
          add(source, 0, 1)
          continue
        }
        const stops = [0, ...turns(source), 1]
        for (let i = 0; i + 1 < stops.length; i++) add(source, stops[i]!, stops[i + 1]!)
      }
      if (encloses && distance(last, first) > snap) add(line(last, first), 0, 1)
    }
  })
  return pieces
}

/** True for a cubic whose control points lie on its chord; it has been cut where it turns back. */
function isStraight(segment: Segment, snap: number): boolean {
  if (segment.kind !== 'cubic') return false
  const { from, c1, c2, to } = segment
  const chord = subtract(to, from)
  const aside = (p: Point) => Math.abs(cross(chord, subtract(p, from))) / Math.hypot(chord.x, chord.y)
  return aside(c1) <= snap / 10 && aside(c2) <= snap / 10
}

function turns({ from, c1, c2, to }: Cubic): number[] {
  const along = (p: readonly number[]) => rootsOnUnit([p[1]!, 2 * p[2]!, 3 * p[3]!], 0).map(({ t }) => t)
  const all = [...along(powers(from.x, c1.x, c2.x, to.x)), ...along(powers(from.y, c1.y, c2.y, to.y))].filter((t) => t > 1e-6 && t < 1 - 1e-6).sort((a, b) => a - b)
  return all.filter((t, i) => i === 0 || t - all[i - 1]! > 1e-6)
}
