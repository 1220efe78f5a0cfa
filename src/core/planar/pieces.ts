import { type Curve, curveOf, powers } from '../geometry/curve'
import { selfMeeting } from '../geometry/cubic'
import { stretch } from '../geometry/stretch'
import type { Path } from '../geometry/path'
import { cross, distance, hypot, type Point, subtract } from '../geometry/point'
import { rootsOnUnit } from '../geometry/roots'
import { type Cubic, line, type Segment } from '../geometry/segment'

/** Net runs of a path along something: forwards minus backwards. */
export type Winding = { readonly path: number; readonly times: number }

/**
 * A stretch of an input segment that does not meet itself, and where others cut it. `windings` has the paths that run
 * along it and enclose something.
 */
export type Piece = {
  readonly path: number
  readonly source: Segment
  readonly t0: number
  readonly t1: number
  readonly curve: Curve
  readonly windings: Winding[]
  readonly cuts: { t: number; vertex: number }[]
}

/**
 * Cuts segments into pieces that do not return to their start: arcs of more than half a turn are halved,
 * self-intersecting cubics are cut at their extremes in x or y. Stretches that are drawn twice, to the last bit, are
 * one piece. With `close`, stretches drawn forth and back are dropped.
 */
export function piecesOf(paths: readonly Path[], open: 'close' | 'cut', snap: number): Piece[] {
  const pieces = new Pieces()
  paths.forEach((path, index) => {
    for (const { segments, closed } of path) {
      if (segments.length === 0) continue
      const encloses = closed || open === 'close'
      const first = segments[0]!.from,
        last = segments[segments.length - 1]!.to
      const add = (source: Segment, t0: number, t1: number) => {
        const segment =
          t0 === 0 && t1 === 1
            ? source
            : stretch(source, t0, t1, t0 === 0 ? source.from : undefined, t1 === 1 ? source.to : undefined)
        // Kept however short: it closes the contour if its ends become two vertices.
        // A straight cubic becomes a line: only lines can share a stretch.
        if (segment.kind === 'line' || isStraight(segment, snap)) straight(segment.from, segment.to, segment)
        else pieces.add(index, source, t0, t1, segment, encloses)
      }
      const straight = (from: Point, to: Point, source?: Segment) => {
        if (same(from, to)) return
        const one = source?.kind === 'line' ? source : line(from, to)
        pieces.add(index, one, 0, 1, one, encloses)
      }
      segments.forEach((source, i) => {
        if (i > 0) straight(segments[i - 1]!.to, source.from)
        const stops = stopsOf(source, snap)
        for (let k = 0; k + 1 < stops.length; k++) add(source, stops[k]!, stops[k + 1]!)
      })
      if (encloses) straight(last, first)
    }
  })
  if (open === 'cut') return pieces.all
  return pieces.doubled ? pieces.all.filter(({ windings }) => windings.some(({ times }) => times !== 0)) : pieces.all
}

class Pieces {
  readonly all: Piece[] = []
  doubled = false
  /** The last piece of each hash of ends, and for each piece the one before it. */
  private readonly last = new Map<number, number>()
  private readonly before: number[] = []

  add(path: number, source: Segment, t0: number, t1: number, segment: Segment, encloses: boolean): void {
    const { from, to } = segment
    // The same for both ways along it.
    const hash = (from.x + to.x) * 31.7 + (from.y + to.y) * 57.1 + Math.abs(from.x - to.x) * 3.3
    for (let i = this.last.get(hash) ?? -1; i !== -1; i = this.before[i]!) {
      const sense = sameStretch(this.all[i]!.curve.segment, segment)
      if (sense === 0) continue
      this.doubled = true
      if (encloses) addWinding(this.all[i]!.windings, path, sense)
      return
    }
    this.before.push(this.last.get(hash) ?? -1)
    this.last.set(hash, this.all.length)
    this.all.push({
      path,
      source,
      t0,
      t1,
      curve: curveOf(segment),
      windings: encloses ? [{ path, times: 1 }] : [],
      cuts: [],
    })
  }
}

/** 1 when two segments are the same, -1 when one is the other turned round, else 0. */
function sameStretch(a: Segment, b: Segment): number {
  if (a.kind !== b.kind) return 0
  const forth = same(a.from, b.from) && same(a.to, b.to),
    back = same(a.from, b.to) && same(a.to, b.from)
  if (!forth && !back) return 0
  if (a.kind === 'cubic' && b.kind === 'cubic')
    return forth && same(a.c1, b.c1) && same(a.c2, b.c2) ? 1 : back && same(a.c1, b.c2) && same(a.c2, b.c1) ? -1 : 0
  if (a.kind === 'arc' && b.kind === 'arc') {
    if (a.rx !== b.rx || a.ry !== b.ry || a.turn !== b.turn || a.large !== b.large) return 0
    return forth && a.sweep === b.sweep ? 1 : back && a.sweep !== b.sweep ? -1 : 0
  }
  return forth ? 1 : -1
}

const same = (p: Point, q: Point): boolean => p.x === q.x && p.y === q.y

/** Counts one more run of a path along something. */
export function addWinding(windings: Winding[], path: number, times: number): void {
  const at = windings.findIndex((one) => one.path === path)
  if (at === -1) windings.push({ path, times })
  else windings[at] = { path, times: windings[at]!.times + times }
}

const WHOLE = [0, 1],
  HALVES = [0, 0.5, 1]

function stopsOf(source: Segment, snap: number): readonly number[] {
  if (source.kind === 'arc') return source.large ? HALVES : WHOLE
  return source.kind === 'cubic' && mayMeetItself(source, snap) ? [0, ...turns(source), 1] : WHOLE
}

/** True for a cubic that crosses itself, ends where it begins, or runs forth and back along one line. */
function mayMeetItself(curve: Cubic, snap: number): boolean {
  return selfMeeting(curve) !== null || distance(curve.from, curve.to) <= snap || isStraight(curve, snap)
}

/** True if the control points of a cubic are on its chord; it has been cut at its extremes. */
function isStraight(segment: Segment, snap: number): boolean {
  if (segment.kind !== 'cubic') return false
  const { from, c1, c2, to } = segment
  const chord = subtract(to, from)
  const aside = (p: Point) => Math.abs(cross(chord, subtract(p, from))) / hypot(chord.x, chord.y)
  return aside(c1) <= snap / 10 && aside(c2) <= snap / 10
}

function turns({ from, c1, c2, to }: Cubic): number[] {
  const along = (p: readonly number[]) => rootsOnUnit([p[1]!, 2 * p[2]!, 3 * p[3]!], 0).map(({ t }) => t)
  const all = [...along(powers(from.x, c1.x, c2.x, to.x)), ...along(powers(from.y, c1.y, c2.y, to.y))]
    .filter((t) => t > 1e-6 && t < 1 - 1e-6)
    .sort((a, b) => a - b)
  return all.filter((t, i) => i === 0 || t - all[i - 1]! > 1e-6)
}
