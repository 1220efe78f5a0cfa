import type { Box } from '../geometry/box'
import { keepTime } from '../geometry/deadline'
import { lengthTo, segmentLength } from '../geometry/lengths'
import type { Contour, Path } from '../geometry/path'
import { cross, distance, hypot, type Point, subtract, unit } from '../geometry/point'
import { line, pointAt, type Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { WARP } from '../geometry/tolerance'
import { follow } from './fit-cubic'

/** A bending of the plane. */
export type Bending = (p: Point) => Point

/** Step of the differences from which directions are taken, as a share of a segment. */
const STEP = 1e-5

/**
 * A path carried by a map, within `tolerance` grid units: lines that stay straight stay lines, all else becomes cubics,
 * few of them. Nodes stay nodes.
 */
export function warpPath(path: Path, bending: Bending, tolerance = WARP): Path {
  return path.map(({ segments, closed }) => ({
    closed,
    segments: joinedUp(
      segments.map((s) => warped(s, bending, tolerance)),
      closed,
    ),
  }))
}

function warped(segment: Segment, bending: Bending, tolerance: number): Segment[] {
  const at = (t: number) => bending(t === 0 ? segment.from : t === 1 ? segment.to : pointAt(segment, t))
  const from = at(0),
    to = at(1),
    chord = subtract(to, from),
    length = hypot(chord.x, chord.y)
  const straight =
    segment.kind === 'line' &&
    length > 0 &&
    [0.13, 0.31, 0.5, 0.71, 0.89].every((t) => Math.abs(cross(chord, subtract(at(t), from))) / length < 1e-7)
  if (straight) return [line(from, to)]
  return follow((t) => {
    keepTime()
    return {
      at: at(t),
      // Asked for at few of the places, and twice as dear as the place itself.
      get direction() {
        return unit(subtract(at(Math.min(1, t + STEP)), at(Math.max(0, t - STEP))))
      },
    }
  }, 0.8 * tolerance)
}

/** Runs of segments end to end, each beginning exactly where the one before ends. */
function joinedUp(runs: readonly Segment[][], closed: boolean): Segment[] {
  const all = runs.flat()
  return all.map((s, i) => {
    const before = i > 0 ? all[i - 1]! : closed ? all[all.length - 1]! : null
    return before ? { ...s, from: before.to } : s
  })
}

/**
 * Maps a straight baseline to a contour: a share of the baseline's length goes to the same share of the contour's
 * length, distances from it are kept, times `width`. Beyond its ends the contour is extended straight.
 */
export function along(contour: Contour, baseline: { readonly from: Point; readonly to: Point }, width = 1): Bending {
  const lengths = contour.segments.map(segmentLength),
    whole = lengths.reduce((sum, length) => sum + length, 0)
  const base = distance(baseline.from, baseline.to),
    u = unit(subtract(baseline.to, baseline.from))
  return (p) => {
    const d = subtract(p, baseline.from)
    const way = ((d.x * u.x + d.y * u.y) / base) * whole,
      aside = cross(u, d) * width
    const { at, direction } = placeOn(contour.segments, lengths, way)
    return { x: at.x - direction.y * aside, y: at.y + direction.x * aside }
  }
}

/** The place so far along segments, and the direction there; beyond their ends they go on straight. */
export function placeOn(
  segments: readonly Segment[],
  lengths: readonly number[],
  way: number,
): { at: Point; direction: Point } {
  let rest = way
  const last = segments.length - 1
  for (let i = 0; i <= last; i++) {
    const inside = rest >= 0 && rest <= lengths[i]!
    if (inside || i === last || rest < 0) {
      const t = inside ? lengthTo(segments[i]!, rest) : rest < 0 ? 0 : 1
      const at = pointAt(segments[i]!, t),
        direction = directionAt(segments[i]!, t)
      const beyond = inside ? 0 : rest < 0 ? rest : rest - lengths[i]!
      return { at: { x: at.x + direction.x * beyond, y: at.y + direction.y * beyond }, direction }
    }
    rest -= lengths[i]!
  }
  throw new Error('A contour has no segments.')
}

/**
 * Sixteen handles of an envelope, four rows of four from the top left: the control points of a bicubic Bézier patch
 * over a box.
 */
export type Handles = readonly Point[]

/** The handles of the identity map. */
export function evenHandles({ x, y, w, h }: Box): Point[] {
  return Array.from({ length: 16 }, (_, i) => ({ x: x + (w * (i % 4)) / 3, y: y + (h * Math.floor(i / 4)) / 3 }))
}

/** The map of an envelope: the box becomes the patch its handles span. */
export function envelope({ x, y, w, h }: Box, handles: Handles): Bending {
  const bernstein = (t: number) => [(1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t ** 3]
  return (p) => {
    const u = bernstein(w === 0 ? 0 : (p.x - x) / w),
      v = bernstein(h === 0 ? 0 : (p.y - y) / h)
    let px = 0,
      py = 0
    for (let i = 0; i < 16; i++) {
      const k = u[i % 4]! * v[Math.floor(i / 4)]!
      px += k * handles[i]!.x
      py += k * handles[i]!.y
    }
    return { x: px, y: py }
  }
}

type EnvelopeKind = 'bow' | 'wave' | 'swell' | 'pinch'

/**
 * Handles by an amount, a share of the box: `bow` lifts the middle, `wave` lifts one third and lowers the next (an S),
 * `swell` draws sides out from the centre, `pinch` draws them in.
 */
export function handlesFor(box: Box, kind: EnvelopeKind, amount: number): Point[] {
  const lift = { bow: [0, 4 / 3, 4 / 3, 0], wave: [0, 2, -2, 0] }
  const out = kind === 'pinch' ? -amount : amount
  return evenHandles(box).map((p, i) => {
    const column = i % 4,
      row = Math.floor(i / 4)
    if (kind === 'bow' || kind === 'wave') return { x: p.x, y: p.y - lift[kind][column]! * amount * box.h }
    const middleX = column === 1 || column === 2,
      middleY = row === 1 || row === 2
    const dx = middleY && !middleX ? Math.sign(column - 1.5) * (4 / 3) : 0,
      dy = middleX && !middleY ? Math.sign(row - 1.5) * (4 / 3) : 0
    return { x: p.x + dx * out * box.w, y: p.y + dy * out * box.h }
  })
}

/** Handles that carry the corners of a box to four points (clockwise from the top left) with straight sides. */
export function cornerHandles([a, b, c, d]: readonly [Point, Point, Point, Point]): Point[] {
  return Array.from({ length: 16 }, (_, i) => {
    const u = (i % 4) / 3,
      v = Math.floor(i / 4) / 3
    const k = [(1 - u) * (1 - v), u * (1 - v), u * v, (1 - u) * v]
    return {
      x: a.x * k[0]! + b.x * k[1]! + c.x * k[2]! + d.x * k[3]!,
      y: a.y * k[0]! + b.y * k[1]! + c.y * k[2]! + d.y * k[3]!,
    }
  })
}
