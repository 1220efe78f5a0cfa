import { keepTime } from './deadline'
import { clamp, polish } from './polish-meeting'
import type { Meeting } from './meeting'
import { distance, type Point } from './point'
import type { Cubic } from './segment'

/**
 * Two cubics meet in nine places at most (Bézout). Where more are found the cubics coincide, and further places add
 * nothing.
 */
const MEETINGS = 18

/** Numbers for each pair of stretches: control points and parameter interval of either. */
const PAIR = 20

/** The stack of pairs still to be examined. Each step takes one pair and pushes four at most. */
const pairs = new Float64Array(PAIR * 512)

/**
 * Two cubics by halving. A stretch lies within a strip along its chord, as wide as its control points allow (a fat
 * line: Sederberg and Nishita 1990); where the strips of two stretches miss each other they do not meet. Where both are
 * straight beside the angle between them they meet once, which Newton's method finds; where both are straight within
 * the tolerance, at the place where they are nearest.
 */
export function cubicCubic(a: Cubic, b: Cubic, tolerance: number): Meeting[] {
  if (partAtEnd(a, b)) return []
  const found: Meeting[] = []
  put(pairs, 0, a, 0)
  put(pairs, 10, b, 0)
  let count = 1
  while (count > 0 && found.length < MEETINGS) {
    keepTime()
    const at = --count * PAIR
    const ax0 = pairs[at]!,
      ay0 = pairs[at + 1]!,
      ax1 = pairs[at + 2]!,
      ay1 = pairs[at + 3]!,
      ax2 = pairs[at + 4]!,
      ay2 = pairs[at + 5]!,
      ax3 = pairs[at + 6]!,
      ay3 = pairs[at + 7]!
    const bx0 = pairs[at + 10]!,
      by0 = pairs[at + 11]!,
      bx1 = pairs[at + 12]!,
      by1 = pairs[at + 13]!,
      bx2 = pairs[at + 14]!,
      by2 = pairs[at + 15]!,
      bx3 = pairs[at + 16]!,
      by3 = pairs[at + 17]!
    const aLeft = Math.min(ax0, ax1, ax2, ax3),
      aRight = Math.max(ax0, ax1, ax2, ax3),
      bLeft = Math.min(bx0, bx1, bx2, bx3),
      bRight = Math.max(bx0, bx1, bx2, bx3)
    if (aLeft > bRight + tolerance || bLeft > aRight + tolerance) continue
    const aTop = Math.min(ay0, ay1, ay2, ay3),
      aLow = Math.max(ay0, ay1, ay2, ay3),
      bTop = Math.min(by0, by1, by2, by3),
      bLow = Math.max(by0, by1, by2, by3)
    if (aTop > bLow + tolerance || bTop > aLow + tolerance) continue
    const dx = ax3 - ax0,
      dy = ay3 - ay0,
      ex = bx3 - bx0,
      ey = by3 - by0
    const lengthA = Math.sqrt(dx * dx + dy * dy),
      lengthB = Math.sqrt(ex * ex + ey * ey)
    const a1 = dx * (ay1 - ay0) - dy * (ax1 - ax0),
      a2 = dx * (ay2 - ay0) - dy * (ax2 - ax0),
      b1 = ex * (by1 - by0) - ey * (bx1 - bx0),
      b2 = ex * (by2 - by0) - ey * (bx2 - bx0)
    // On one side of the chord a cubic comes three quarters as far from it as its control points, on both sides four
    // ninths.
    const wideA = a1 * a2 > 0 ? 0.75 : 4 / 9,
      wideB = b1 * b2 > 0 ? 0.75 : 4 / 9
    const lowA = wideA * Math.min(0, a1, a2) - tolerance * lengthA,
      highA = wideA * Math.max(0, a1, a2) + tolerance * lengthA
    if (misses(dx, dy, ax0, ay0, bx0, by0, bx1, by1, bx2, by2, bx3, by3, lowA, highA)) continue
    const lowB = wideB * Math.min(0, b1, b2) - tolerance * lengthB,
      highB = wideB * Math.max(0, b1, b2) + tolerance * lengthB
    if (misses(ex, ey, bx0, by0, ax0, ay0, ax1, ay1, ax2, ay2, ax3, ay3, lowB, highB)) continue
    const sizeA = Math.max(aRight - aLeft, aLow - aTop),
      sizeB = Math.max(bRight - bLeft, bLow - bTop)
    const s0 = pairs[at + 8]!,
      s1 = pairs[at + 9]!,
      t0 = pairs[at + 18]!,
      t1 = pairs[at + 19]!
    const asideA = (wideA * Math.max(Math.abs(a1), Math.abs(a2))) / lengthA,
      asideB = (wideB * Math.max(Math.abs(b1), Math.abs(b2))) / lengthB
    const across = dx * ey - dy * ex,
      shorter = Math.min(lengthA, lengthB)
    const tiny = sizeA + sizeB < tolerance
    const forth =
      tiny ||
      (goesForth(dx, dy, ax0, ay0, ax1, ay1, ax2, ay2, lengthA) &&
        goesForth(ex, ey, bx0, by0, bx1, by1, bx2, by2, lengthB))
    if (forth && !tiny && (asideA + asideB) * lengthA * lengthB < CROSSING * Math.abs(across) * shorter) {
      const gx = bx0 - ax0,
        gy = by0 - ay0,
        s = (gx * ey - gy * ex) / across,
        t = (gx * dy - gy * dx) / across
      if (s > -2 * CROSSING && s < 1 + 2 * CROSSING && t > -2 * CROSSING && t < 1 + 2 * CROSSING)
        note(found, polish(a, b, clamp(s0 + (s1 - s0) * s), clamp(t0 + (t1 - t0) * t), tolerance), 10 * tolerance)
      continue
    }
    if (tiny || (forth && asideA + asideB < tolerance / 10)) {
      // Two stretches that coincide for a while count as one meeting.
      const near = 16 * Math.max(sizeA, sizeB)
      if (!found.some(({ at: p }) => Math.abs(p.x - (ax0 + ax3) / 2) + Math.abs(p.y - (ay0 + ay3) / 2) <= near))
        note(found, polish(a, b, (s0 + s1) / 2, (t0 + t1) / 2, tolerance), near)
      continue
    }
    if (count + 4 > pairs.length / PAIR) return found
    // The longer stretch is halved, or both when they are about as long. The order of pushing keeps meetings in the
    // order of the first cubic.
    const halveA = sizeA >= 0.5 * sizeB,
      halveB = sizeB >= 0.5 * sizeA
    const copy = at
    for (let i = 0; i < PAIR; i++) half[i] = pairs[copy + i]!
    for (let k = halveA ? 1 : 0; k >= 0; k--) {
      for (let m = halveB ? 1 : 0; m >= 0; m--) {
        const to = count++ * PAIR
        if (halveA) halved(half, 0, pairs, to, k === 1)
        else for (let i = 0; i < 10; i++) pairs[to + i] = half[i]!
        if (halveB) halved(half, 10, pairs, to + 10, m === 1)
        else for (let i = 10; i < 20; i++) pairs[to + i] = half[i]!
      }
    }
  }
  return found
}

/** A copy of the pair that is being halved. */
const half = new Float64Array(PAIR)

/**
 * Two stretches cross once at most when their deviations from straight, added, are below this share of the shorter
 * stretch times the sine of the angle between them.
 */
const CROSSING = 0.1

function note(found: Meeting[], meeting: Meeting | null, near: number): void {
  if (meeting && !found.some(({ at }) => distance(at, meeting.at) <= near)) found.push(meeting)
}

function put(to: Float64Array, at: number, { from, c1, c2, to: end }: Cubic, t0: number): void {
  to[at] = from.x
  to[at + 1] = from.y
  to[at + 2] = c1.x
  to[at + 3] = c1.y
  to[at + 4] = c2.x
  to[at + 5] = c2.y
  to[at + 6] = end.x
  to[at + 7] = end.y
  to[at + 8] = t0
  to[at + 9] = 1
}

/** One half of a stretch by its control points (de Casteljau). */
function halved(from: Float64Array, at: number, to: Float64Array, into: number, second: boolean): void {
  for (let axis = 0; axis < 2; axis++) {
    const p0 = from[at + axis]!,
      p1 = from[at + 2 + axis]!,
      p2 = from[at + 4 + axis]!,
      p3 = from[at + 6 + axis]!
    const p01 = (p0 + p1) / 2,
      p12 = (p1 + p2) / 2,
      p23 = (p2 + p3) / 2,
      p012 = (p01 + p12) / 2,
      p123 = (p12 + p23) / 2,
      middle = (p012 + p123) / 2
    to[into + axis] = second ? middle : p0
    to[into + 2 + axis] = second ? p123 : p01
    to[into + 4 + axis] = second ? p23 : p012
    to[into + 6 + axis] = second ? p3 : middle
  }
  const t0 = from[at + 8]!,
    t1 = from[at + 9]!,
    tm = (t0 + t1) / 2
  to[into + 8] = second ? tm : t0
  to[into + 9] = second ? t1 : tm
}

/** Whether four control points lie all on one side of a strip along a direction, times its length. */
function misses(
  dx: number,
  dy: number,
  x: number,
  y: number,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  x3: number,
  y3: number,
  low: number,
  high: number,
): boolean {
  const d0 = dx * (y0 - y) - dy * (x0 - x),
    d1 = dx * (y1 - y) - dy * (x1 - x),
    d2 = dx * (y2 - y) - dy * (x2 - x),
    d3 = dx * (y3 - y) - dy * (x3 - x)
  return (d0 > high && d1 > high && d2 > high && d3 > high) || (d0 < low && d1 < low && d2 < low && d3 < low)
}

/** Whether the control points follow each other along the chord, so that the stretch never turns back along it. */
function goesForth(
  dx: number,
  dy: number,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  length: number,
): boolean {
  const square = length * length,
    p1 = dx * (x1 - x0) + dy * (y1 - y0),
    p2 = dx * (x2 - x0) + dy * (y2 - y0)
  return p1 >= 0 && p1 <= p2 && p2 <= square
}

/**
 * True for two cubics that share an end and meet nowhere else: a line through that end separates their control points.
 * Neighbours in a smooth outline are found by this test; halving would otherwise go down to the node.
 */
function partAtEnd(a: Cubic, b: Cubic): boolean {
  const startA = samePlace(a.from, b.from) || samePlace(a.from, b.to)
  if (!startA && !samePlace(a.to, b.from) && !samePlace(a.to, b.to)) return false
  const [p, a1, a2, a3] = startA ? [a.from, a.c1, a.c2, a.to] : [a.to, a.c2, a.c1, a.from]
  const [b1, b2, b3] = samePlace(p, b.from) ? [b.c1, b.c2, b.to] : [b.c2, b.c1, b.from]
  const lengthA = distance(p, a1),
    lengthB = distance(p, b1)
  if (lengthA < 1e-3 || lengthB < 1e-3) return false
  const x = (b1.x - p.x) / lengthB - (a1.x - p.x) / lengthA,
    y = (b1.y - p.y) / lengthB - (a1.y - p.y) / lengthA
  // Directions that hardly differ part too slowly to be told from a stretch in common.
  if (x * x + y * y < 0.1) return false
  const along = (q: Point) => (q.x - p.x) * x + (q.y - p.y) * y
  return along(a1) < 0 && along(a2) < 0 && along(a3) < 0 && along(b1) > 0 && along(b2) > 0 && along(b3) > 0
}

const samePlace = (p: Point, q: Point): boolean => p.x === q.x && p.y === q.y
