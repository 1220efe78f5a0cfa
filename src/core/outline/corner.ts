import type { Contour } from '../geometry/path'
import { add, cross, distance, dot, type Point, scale, subtract, unit } from '../geometry/point'
import { line, type Segment } from '../geometry/segment'
import { SAME_POINT, STRAIGHT } from '../geometry/tolerance'

/** A contour with rounded corners, and whether any radius had to be reduced to fit. */
export type Rounded = { readonly contour: Contour; readonly reduced: boolean }

/**
 * Rounds the corners of straight lines through `points` with the tangent arc of each point's radius (grid units).
 * Where two fillets would overlap on a side, both are reduced in proportion to the length they ask for
 * (the rule of CSS Backgrounds 3 §5.5). The ends of an open line stay as they are.
 */
export function roundCorners(points: readonly Point[], closed: boolean, radius: (index: number) => number): Rounded {
  const corners = withoutRepeats(points, closed, radius)
  const count = corners.length
  const sides = closed ? count : count - 1
  const at = (i: number) => corners[(i + count) % count]!
  const asked = corners.map((corner, i) => {
    if (!closed && (i === 0 || i === count - 1)) return 0
    return tangentLength(at(i - 1).point, corner.point, at(i + 1).point, corner.radius)
  })
  const fits = new Array<number>(count).fill(1)
  for (let i = 0; i < sides; i++) {
    const j = (i + 1) % count
    const want = asked[i]! + asked[j]!
    const have = distance(at(i).point, at(j).point)
    if (want > have) {
      fits[i] = Math.min(fits[i]!, have / want)
      fits[j] = Math.min(fits[j]!, have / want)
    }
  }
  const segments: Segment[] = []
  const push = (segment: Segment) => {
    if (distance(segment.from, segment.to) > SAME_POINT) segments.push(segment)
  }
  const ends = corners.map((corner, i) => {
    const cut = asked[i]! * fits[i]!
    if (cut <= SAME_POINT) return { into: corner.point, out: corner.point, radius: 0, sweep: false }
    const before = unit(subtract(at(i - 1).point, corner.point))
    const after = unit(subtract(at(i + 1).point, corner.point))
    return {
      into: add(corner.point, scale(before, cut)),
      out: add(corner.point, scale(after, cut)),
      radius: corner.radius * fits[i]!,
      sweep: cross(before, after) < 0,
    }
  })
  for (let i = 0; i < sides; i++) {
    const next = ends[(i + 1) % count]!
    push(line(ends[i]!.out, next.into))
    if (next.radius > 0) {
      const { into: from, out: to, radius: r, sweep } = next
      push({ kind: 'arc', from, to, rx: r, ry: r, turn: 0, large: false, sweep })
    }
  }
  return { contour: { segments, closed }, reduced: fits.some((fit) => fit < 1 - 1e-12) }
}

type Corner = { readonly point: Point; readonly radius: number }

function withoutRepeats(points: readonly Point[], closed: boolean, radius: (index: number) => number): Corner[] {
  const kept: Corner[] = []
  points.forEach((p, i) => {
    const last = kept[kept.length - 1]
    if (!last || distance(last.point, p) > SAME_POINT) kept.push({ point: p, radius: radius(i) })
  })
  if (closed && kept.length > 1 && distance(kept[0]!.point, kept[kept.length - 1]!.point) <= SAME_POINT) kept.pop()
  return kept
}

/** How far from the corner the tangent arc of a radius begins: radius / tan(half the inner angle). */
function tangentLength(before: Point, corner: Point, after: Point, radius: number): number {
  const a = unit(subtract(before, corner)), b = unit(subtract(after, corner))
  const bend = Math.PI - Math.atan2(Math.abs(cross(a, b)), dot(a, b))
  // A straight run has nothing to round; a line that doubles back has no tangent arc.
  if (bend < STRAIGHT || Math.PI - bend < STRAIGHT) return 0
  return radius * Math.tan(bend / 2)
}
