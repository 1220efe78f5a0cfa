import { type Curve, parameterAt, type Round } from './curve'
import type { Meeting } from './meeting'
import { cubicArc, cubicLine } from './meet-cubics'
import { cubicCubic } from './meet-cubic-pair'
import { circleCircle, ellipseEllipse, lineArc, lineLine } from './meet-lines-arcs'
import { distance } from './point'
import { type Cubic, pointAt } from './segment'
import { MEETING, ROUNDING } from './tolerance'

/** A stretch that two segments share, from and to in the order of the first. */
type Overlap = { readonly from: Meeting; readonly to: Meeting }

type Intersection = { readonly meetings: readonly Meeting[]; readonly overlaps: readonly Overlap[] }

const NOWHERE: Intersection = { meetings: [], overlaps: [] }

/**
 * Intersections of two segments. Every crossing and every touch is one meeting; common stretches are overlaps, whose
 * ends are among the meetings. Lines and circular arcs are solved in closed form, other pairs through polynomials whose
 * roots cannot be missed (see `rootsOnUnit`), two cubics by subdivision and Newton's method. An end on the other
 * segment is met exactly there.
 */
export function intersect(a: Curve, b: Curve, tolerance = MEETING): Intersection {
  if (apart(a, b, tolerance)) return NOWHERE
  const ends = endMeetings(a, b, tolerance)
  const overlaps = ends.length < 2 || a.segment.kind !== b.segment.kind ? NONE : overlapsOf(a, b, ends, tolerance)
  // Two segments of one carrier meet in stretches and at ends, nowhere else; so do two lines.
  if (overlaps.length > 0 || (ends.length > 0 && a.segment.kind === 'line' && b.segment.kind === 'line'))
    return { meetings: ends, overlaps }
  const between = crossings(a, b, tolerance)
  if (between.length === 0) return ends.length === 0 ? NOWHERE : { meetings: ends, overlaps }
  if (ends.length === 0 && between.length === 1) return { meetings: between, overlaps }
  const found = [...ends]
  for (const meeting of between) {
    if (!found.some(({ at }) => distance(at, meeting.at) <= 4 * tolerance)) found.push(meeting)
  }
  return { meetings: found, overlaps }
}

const NONE: readonly never[] = []

function apart({ box: a }: Curve, { box: b }: Curve, margin: number): boolean {
  return a.x > b.x + b.w + margin || b.x > a.x + a.w + margin || a.y > b.y + b.h + margin || b.y > a.y + a.h + margin
}

/** Meetings at ends of one segment that are on the other one. */
function endMeetings(a: Curve, b: Curve, tolerance: number): readonly Meeting[] {
  let found: Meeting[] | null = null
  for (let end = 0; end < 4; end++) {
    const own = end < 2 ? a : b,
      other = end < 2 ? b : a
    const at = end % 2 === 0 ? own.segment.from : own.segment.to
    const t = parameterAt(other, at, tolerance)
    if (t === null) continue
    const meeting = end < 2 ? { at, s: end % 2, t } : { at, s: t, t: end % 2 }
    const known = found?.some(
      (one) =>
        distance(one.at, at) <= tolerance && Math.abs(one.s - meeting.s) < 0.5 && Math.abs(one.t - meeting.t) < 0.5,
    )
    if (!known) (found ??= []).push(meeting)
  }
  return found ?? NONE
}

/**
 * Overlaps between neighbouring end meetings: two segments overlap there when they also coincide at three places
 * between.
 */
function overlapsOf(a: Curve, b: Curve, ends: readonly Meeting[], tolerance: number): Overlap[] {
  const order = ends.toSorted((p, q) => p.s - q.s)
  const overlaps: Overlap[] = []
  for (let i = 0; i + 1 < order.length; i++) {
    const from = order[i]!,
      to = order[i + 1]!
    if (distance(pointAt(a.segment, (from.s + to.s) / 2), from.at) <= 2 * tolerance) continue
    const together = [0.25, 0.5, 0.75].every(
      (k) => parameterAt(b, pointAt(a.segment, from.s + (to.s - from.s) * k), 2 * tolerance) !== null,
    )
    if (together) overlaps.push({ from, to })
  }
  return overlaps
}

function crossings(a: Curve, b: Curve, tolerance: number): Meeting[] {
  const p = a.segment,
    q = b.segment
  if (p.kind === 'line' && q.kind === 'line') return lineLine(p, q, tolerance)
  if (p.kind === 'line') return b.round ? lineArc(p, b.round, tolerance) : swapped(cubicLine(q as Cubic, p, tolerance))
  if (q.kind === 'line') return a.round ? swapped(lineArc(q, a.round, tolerance)) : cubicLine(p as Cubic, q, tolerance)
  if (a.round && b.round)
    return isCircle(a.round) && isCircle(b.round)
      ? circleCircle(a.round, b.round, tolerance)
      : ellipseEllipse(a.round, b.round, tolerance)
  if (a.round) return swapped(cubicArc(q as Cubic, a.round, tolerance))
  if (b.round) return cubicArc(p as Cubic, b.round, tolerance)
  return cubicCubic(p as Cubic, q as Cubic, tolerance)
}

const swap = ({ at, s, t }: Meeting): Meeting => ({ at, s: t, t: s })
const swapped = (meetings: readonly Meeting[]): Meeting[] => meetings.map(swap)
const isCircle = ({ rx, ry }: Round): boolean => Math.abs(rx - ry) <= ROUNDING * rx
