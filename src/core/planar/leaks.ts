import { type Curve, curveOf } from '../geometry/curve'
import { keepTime } from '../geometry/deadline'
import { intersect } from '../geometry/intersect'
import { nearestOnCurve } from '../geometry/nearest'
import type { Contour, Path } from '../geometry/path'
import { cross, distance, midpoint, type Point, subtract, unit } from '../geometry/point'
import { line, pointAt, type Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { LEAK, SAME_POINT, SNAP } from '../geometry/tolerance'

/** The open end of a contour. */
export type End = { readonly path: number; readonly contour: number; readonly last: boolean }

/**
 * A place where contours nearly meet: the nearest two points, how far they are apart, and the open end that is one of
 * them, if it is.
 */
export type Leak = {
  readonly at: Point
  readonly gap: number
  readonly from: Point
  readonly to: Point
  readonly end: End | null
}

type Stretch = {
  readonly curve: Curve
  readonly path: number
  readonly contour: number
  readonly index: number
  readonly count: number
  readonly closed: boolean
}

/**
 * Where paths nearly meet, nearer than `reach` but not at all: open ends before anything, and contours before each
 * other; or those of open ends alone. The narrowest first.
 */
export function leaks(paths: readonly Path[], reach = LEAK, only: 'ends' | 'all' = 'all'): Leak[] {
  const ofEnds = only === 'ends'
  if (ofEnds && paths.every((path) => path.every(({ closed }) => closed))) return []
  const stretches = paths.flatMap((path, p) =>
    path.flatMap(({ segments, closed }, contour) =>
      segments.map((segment, index): Stretch => ({
        curve: curveOf(segment),
        path: p,
        contour,
        index,
        count: segments.length,
        closed,
      })),
    ),
  )
  const found: (Leak & { readonly aside: number })[] = []
  for (const [a, b] of nearPairs(stretches, reach)) {
    if (neighbours(a, b) || (ofEnds && !isFree(a) && !isFree(b))) continue
    const { meetings } = intersect(a.curve, b.curve)
    const near = [...nearPlaces(a, b), ...nearPlaces(b, a), ...(ofEnds ? [] : closest(a, b))]
    for (const { from, to, end, aside } of near) {
      if (ofEnds && !end) continue
      const gap = distance(from, to)
      if (gap <= SNAP || gap >= reach) continue
      // Beside a meeting two contours are near each other without a leak.
      if (meetings.some(({ at }) => distance(at, from) < 4 * reach)) continue
      found.push({ at: midpoint(from, to), gap, from, to, end, aside })
    }
  }
  // Of two ends that are equally near, the one that can go straight on is extended.
  const rank = ({ end, aside }: (typeof found)[number]) => (end ? aside : 2)
  found.sort((p, q) => (Math.abs(p.gap - q.gap) > SAME_POINT ? p.gap - q.gap : rank(p) - rank(q)))
  // An end on another stretch is no leak, nor is a place that another leak already has.
  const shut = (p: Point) => stretches.filter(({ curve }) => nearestOnCurve(curve, p).distance <= SNAP).length > 1
  return found.filter(
    ({ at, end, from }, i) =>
      (!end || !shut(from)) && !found.some((other, k) => k < i && distance(other.at, at) < reach / 2),
  )
}

/** Pairs of stretches whose bounds are near each other. */
function* nearPairs(stretches: readonly Stretch[], reach: number): Generator<[Stretch, Stretch]> {
  let active: Stretch[] = []
  for (const one of stretches.toSorted((a, b) => a.curve.box.x - b.curve.box.x)) {
    keepTime()
    const { box } = one.curve
    active = active.filter(({ curve }) => curve.box.x + curve.box.w >= box.x - reach)
    for (const other of active) {
      const far = other.curve.box
      if (far.y <= box.y + box.h + reach && far.y + far.h >= box.y - reach) yield [one, other]
    }
    active.push(one)
  }
}

/** Whether a segment has an open end. */
const isFree = ({ closed, index, count }: Stretch): boolean => !closed && (index === 0 || index === count - 1)

/** Segments that follow each other in one contour. */
function neighbours(a: Stretch, b: Stretch): boolean {
  if (a.path !== b.path || a.contour !== b.contour) return false
  const apart = Math.abs(a.index - b.index)
  return apart === 1 || (a.closed && apart === a.count - 1)
}

/** `aside` is how far from its own way an end would have to turn: the sine of it. */
type Near = { readonly from: Point; readonly to: Point; readonly end: End | null; readonly aside: number }

/** The ends of one segment with the places of another that are nearest to them. */
function nearPlaces(a: Stretch, b: Stretch): Near[] {
  const { from, to } = a.curve.segment
  return [from, to].map((p, i) => {
    const free = !a.closed && (i === 0 ? a.index === 0 : a.index === a.count - 1)
    const to = nearestOnCurve(b.curve, p).at
    return {
      from: p,
      to,
      aside: Math.abs(cross(directionAt(a.curve.segment, i), unit(subtract(to, p)))),
      end: free ? { path: a.path, contour: a.contour, last: i === 1 } : null,
    }
  })
}

/** The number of places at which a segment is sampled for local minima of the distance to another. */
const LOOKS = 16

/**
 * Where a segment comes nearest to another between its ends: between three places of which the middle one is nearest,
 * by golden section.
 */
function closest(a: Stretch, b: Stretch): Near[] {
  if (a.curve.segment.kind === 'line' && b.curve.segment.kind === 'line') return []
  const away = (s: number) => nearestOnCurve(b.curve, pointAt(a.curve.segment, s)).distance
  const looks = Array.from({ length: LOOKS + 1 }, (_, i) => away(i / LOOKS))
  const near: Near[] = []
  for (let i = 1; i < LOOKS; i++) {
    if (looks[i]! > looks[i - 1]! || looks[i]! > looks[i + 1]!) continue
    let lo = (i - 1) / LOOKS,
      hi = (i + 1) / LOOKS
    const golden = (Math.sqrt(5) - 1) / 2
    while (hi - lo > SAME_POINT) {
      const p = hi - golden * (hi - lo),
        q = lo + golden * (hi - lo)
      if (away(p) < away(q)) hi = q
      else lo = p
    }
    const from = pointAt(a.curve.segment, (lo + hi) / 2)
    near.push({ from, to: nearestOnCurve(b.curve, from).at, end: null, aside: 1 })
  }
  return near
}

/**
 * Paths with a leak closed: an open end that is a line is drawn on to the place it nearly meets, otherwise a line
 * bridges the gap.
 */
export function closeLeak(paths: readonly Path[], { from, to, end }: Leak): Path[] {
  if (!end) return [...paths, [{ segments: [line(from, to)], closed: false }]]
  return paths.map((path, p) =>
    p === end.path ? path.map((contour, c) => (c === end.contour ? drawnOn(contour, end.last, to) : contour)) : path,
  )
}

function drawnOn({ segments, closed }: Contour, last: boolean, to: Point): Contour {
  const own = segments[last ? segments.length - 1 : 0]!
  if (own.kind === 'line') {
    const moved: Segment = last ? { ...own, to } : { ...own, from: to }
    return { segments: last ? [...segments.slice(0, -1), moved] : [moved, ...segments.slice(1)], closed }
  }
  return { segments: last ? [...segments, line(own.to, to)] : [line(to, own.from), ...segments], closed }
}
