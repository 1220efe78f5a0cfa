import { stretch } from '../geometry/stretch'
import { type Contour, polyline } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import type { Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { ROUNDING, SAME_POINT } from '../geometry/tolerance'
import { type CornerGap, type CornerStyle, cornerShape } from './corner-shape'
import { type Fillet, fillets, turnOf } from './fillet'
import { beside } from './parallel'

/** A wanted corner: the radius of its tangent arc in grid units, and its shape. */
export type Corner = { readonly radius: number; readonly style?: CornerStyle }

/** A contour with finished corners, and the nodes at which the radius had to be reduced to fit. */
type Rounded = { readonly contour: Contour; readonly reduced: readonly number[] }

/**
 * Finishes the corners of a contour, between any two kinds of segment; node i is the start of segment i. Ends of an
 * open contour, smooth nodes and cusps are unchanged. Corners that would overlap on a segment are both reduced in
 * proportion (CSS Backgrounds 3 §5.5); a radius without a touching arc is reduced to the greatest that has one.
 */
export function roundContour({ segments, closed }: Contour, corner: (node: number) => Corner | null): Rounded {
  const count = segments.length
  const before = (i: number): Segment | null => (i > 0 ? segments[i - 1]! : closed ? segments[count - 1]! : null)
  const asked = segments.map((_, i) => (before(i) ? corner(i) : null))
  const grown = asked.map((one, i) =>
    one && one.radius > SAME_POINT && shows(turnOf(before(i)!, segments[i]!), one.radius)
      ? fillets(before(i)!, segments[i]!, one.radius)
      : null,
  )
  const trims = grown.map((one) => (one && one.limit > SAME_POINT ? one.at(one.limit) : null))
  // On each segment the corner at its start may take what the one at its end leaves.
  const share = new Array<number>(count).fill(1)
  for (let i = 0; i < count; i++) {
    const j = i + 1 < count ? i + 1 : closed ? 0 : -1
    const first = trims[i],
      second = j === -1 ? null : trims[j]
    const start = first?.t ?? 0,
      end = second?.s ?? 1
    if (start <= end + ROUNDING) continue
    const straight =
      segments[i]!.kind === 'line' &&
      (!first || before(i)!.kind === 'line') &&
      (!second || segments[j]!.kind === 'line')
    const k = straight
      ? 1 / (start + 1 - end)
      : greatest(
          (by) => (first ? grown[i]!.at(first.radius * by).t : 0) <= (second ? grown[j]!.at(second.radius * by).s : 1),
        )
    if (first) share[i] = Math.min(share[i]!, k)
    if (second) share[j] = Math.min(share[j]!, k)
  }
  const final = trims.map((one, i) => (one && share[i]! < 1 ? grown[i]!.at(one.radius * share[i]!) : one))
  const places = final.map((one, i) => one && cut(before(i)!, segments[i]!, one))
  const result: Segment[] = []
  const push = (segment: Segment) => {
    if (segment.kind !== 'line' || distance(segment.from, segment.to) > SAME_POINT) result.push(segment)
  }
  for (let i = 0; i < count; i++) {
    const j = i + 1 < count ? i + 1 : closed ? 0 : -1
    const start = final[i]?.t ?? 0,
      end = j === -1 ? 1 : (final[j]?.s ?? 1)
    const from = places[i]?.to ?? segments[i]!.from,
      to = (j === -1 ? null : places[j]?.from) ?? segments[i]!.to
    if (end - start > ROUNDING && distance(from, to) > SAME_POINT)
      push(start === 0 && end === 1 ? segments[i]! : stretch(segments[i]!, start, end, from, to))
    if (j === -1 || !final[j]) continue
    const at = places[j]!
    cornerShape(at, final[j]!.radius, asked[j]!.style ?? 'round').forEach(push)
  }
  const reduced = grown.flatMap((one, i) =>
    one && (final[i]?.radius ?? 0) < asked[i]!.radius * (1 - ROUNDING) ? [i] : [],
  )
  return {
    contour: result.length > 0 ? { segments: result, closed } : { segments: segments.slice(0, 1), closed },
    reduced,
  }
}

/** Whether a corner's arc leaves the corner visibly; where its sides are nearly in line it does not. */
const shows = (turn: number, radius: number): boolean => (radius * turn * turn) / 8 > SAME_POINT

/** The greatest share in 0..1 that still fits, given that all below it do. */
function greatest(fits: (share: number) => boolean): number {
  let lo = 0,
    hi = 1
  for (let i = 0; i < 52; i++) {
    const k = (lo + hi) / 2
    if (fits(k)) lo = k
    else hi = k
  }
  return lo
}

function cut(a: Segment, b: Segment, { s, t }: Fillet): CornerGap {
  return {
    node: b.from,
    from: beside(a, s, 0),
    leaving: directionAt(a, s),
    to: beside(b, t, 0),
    arriving: directionAt(b, t),
    clockwise: turnOf(a, b) > 0,
  }
}

/** Straight lines through points with each point's own radius; points that repeat the one before count once. */
export function roundCorners(
  points: readonly Point[],
  closed: boolean,
  radius: (index: number) => number,
): { contour: Contour; reduced: boolean } {
  const kept = points.flatMap((p, i) => (i > 0 && distance(points[i - 1]!, p) <= SAME_POINT ? [] : [{ p, i }]))
  if (closed && kept.length > 1 && distance(kept[0]!.p, kept[kept.length - 1]!.p) <= SAME_POINT) kept.pop()
  const contour = polyline(
    kept.map(({ p }) => p),
    closed,
  )
  if (contour.segments.length === 0) return { contour, reduced: false }
  const rounded = roundContour(contour, (node) => ({ radius: radius(kept[node]!.i) }))
  return { contour: rounded.contour, reduced: rounded.reduced.length > 0 }
}
