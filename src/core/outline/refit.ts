import { arcCentre } from '../geometry/arc'
import { lengthTo, segmentLength } from '../geometry/lengths'
import type { Contour } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { type Arc, type Cubic, line, pointAt, type Segment } from '../geometry/segment'
import { splitCubic } from '../geometry/cubic'
import { directionAt } from '../geometry/slope'
import { fitCubic } from './fit-cubic'

/**
 * A contour without some of its nodes (node i is where segment i begins), the course of it kept as well as `pieces`
 * segments for each run of taken nodes can: lines stay lines, a circle stays one, the rest becomes cubics that leave
 * and arrive as before. A closed contour stays closed. At the end of an open one, the segments beyond the last node
 * that is left go too. Null when nothing is left.
 */
export function withoutNodes({ segments, closed }: Contour, taken: ReadonlySet<number>, pieces = 1): Contour | null {
  const count = segments.length + (closed ? 0 : 1)
  const kept = Array.from({ length: count }, (_, i) => i).filter((i) => !taken.has(i))
  if (kept.length < 2) return null
  const result: Segment[] = []
  const runs = closed ? kept.length : kept.length - 1
  for (let k = 0; k < runs; k++) {
    const from = kept[k]!,
      to = kept[(k + 1) % kept.length]!
    const steps = (to - from + count) % count
    const run = Array.from({ length: steps }, (_, i) => segments[(from + i) % segments.length]!)
    result.push(...(run.length === 1 ? run : refitted(run, pieces)))
  }
  return { segments: result, closed }
}

/** A run of segments as fewer. */
function refitted(run: readonly Segment[], pieces: number): Segment[] {
  const from = run[0]!.from,
    to = run[run.length - 1]!.to
  if (run.every(({ kind }) => kind === 'line') && pieces === 1) return [line(from, to)]
  const one = oneCircle(run) ?? oneCubic(run)
  if (one) return [one]
  const lengths = run.map(segmentLength),
    whole = lengths.reduce((sum, length) => sum + length, 0)
  const at = (way: number): { at: Point; direction: Point } => {
    let rest = way
    for (let i = 0; i < run.length; i++) {
      if (rest <= lengths[i]! || i === run.length - 1) {
        const t = Math.min(1, lengthTo(run[i]!, Math.min(rest, lengths[i]!)))
        return { at: pointAt(run[i]!, t), direction: directionAt(run[i]!, t) }
      }
      rest -= lengths[i]!
    }
    throw new Error('A run has no segments.')
  }
  const leaving = directionAt(run[0]!, 0),
    arriving = directionAt(run[run.length - 1]!, 1)
  const stops = Array.from({ length: pieces + 1 }, (_, k) => (whole * k) / pieces)
  return stops.slice(1).map((end, k) => {
    const start = stops[k]!
    const points = Array.from({ length: 26 }, (_, i) =>
      k === 0 && i === 0 ? from : k === pieces - 1 && i === 25 ? to : at(start + ((end - start) * i) / 25).at,
    )
    return fitCubic(points, k === 0 ? leaving : at(start).direction, k === pieces - 1 ? arriving : at(end).direction)
      .cubic
  })
}

/** How far apart the handles of two halves may be from those of the cubic that they are halves of. */
const HALVES = 1e-7

/** The cubic that two cubics are the halves of: de Casteljau's construction, undone. Null if they are not. */
function oneCubic([a, b, ...more]: readonly Segment[]): Cubic | null {
  if (a?.kind !== 'cubic' || b?.kind !== 'cubic' || more.length > 0) return null
  const before = distance(a.c2, a.to),
    after = distance(b.from, b.c1)
  if (before < HALVES || after < HALVES) return null
  const t = before / (before + after)
  const beyond = (from: Point, to: Point, share: number): Point => ({
    x: from.x + (to.x - from.x) / share,
    y: from.y + (to.y - from.y) / share,
  })
  const whole: Cubic = {
    kind: 'cubic',
    from: a.from,
    c1: beyond(a.from, a.c1, t),
    c2: beyond(b.to, b.c2, 1 - t),
    to: b.to,
  }
  const [first, last] = splitCubic(whole, t)
  const isHalf = distance(first.c2, a.c2) + distance(first.to, a.to) + distance(last.c1, b.c1) < HALVES
  return isHalf ? whole : null
}

/** The one arc that arcs of the same circle make together. */
function oneCircle(run: readonly Segment[]): Arc | null {
  const arcs = run.filter((s): s is Arc => s.kind === 'arc')
  if (arcs.length !== run.length) return null
  const centres = arcs.map(arcCentre),
    first = centres[0]!
  const extent = centres.reduce((sum, c) => sum + c.extent, 0)
  const same = centres.every(
    (c) =>
      distance(c.centre, first.centre) < 1e-7 && Math.abs(c.rx - first.rx) < 1e-7 && Math.abs(c.ry - first.ry) < 1e-7,
  )
  if (
    !same ||
    arcs.some((arc) => arc.sweep !== arcs[0]!.sweep || arc.turn !== arcs[0]!.turn) ||
    Math.abs(extent) > (340 * Math.PI) / 180
  )
    return null
  return { ...arcs[0]!, to: arcs[arcs.length - 1]!.to, large: Math.abs(extent) > Math.PI + HALVES }
}
