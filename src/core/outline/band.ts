import type { Contour } from '../geometry/path'
import { cross, distance, dot, type Point } from '../geometry/point'
import { type Line, line, reverse, type Segment } from '../geometry/segment'
import { asideOf, capRim, joinRim } from './joint'
import type { Node, Run } from './run'
import { type Side, sideOf } from './side'

/** How corners are gone around. Half the width in grid units. */
export type Width = { readonly half: number; readonly miterLimit: number }

/**
 * The stroked area of a run, as contours clockwise on screen: along its left, around its end, back along its right; a
 * closed run has one contour on each side. On the inside of a corner they pass through the node, so that winding
 * numbers count how often the moving pen passes; long lines are cut at their intersection instead. The area beyond the
 * centres of tight turns is added twice, once for the part that the contour subtracts.
 */
export function band({ parts, nodes, closed }: Run, { half, miterLimit }: Width): Contour[] {
  const lefts = parts.map((part) => sideOf(part, -half)),
    rights = parts.map((part) => sideOf(part, half))
  const left: Segment[] = [],
    right: Segment[] = []
  const leftCuts = new Cuts(parts, lefts),
    rightCuts = new Cuts(parts, rights)
  const leftJoins: Segment[][] = [],
    rightJoins: Segment[][] = []
  nodes.forEach((node, i) => {
    const { into, out } = node
    if (!into || !out) return
    const before = (i + parts.length - 1) % parts.length
    const around = corner(node, into, out, half, miterLimit)
    leftJoins[i] =
      around.left ??
      leftCuts.at(before, i, into, out, -half) ??
      via(node.at, asideOf(node.at, into, -half), asideOf(node.at, out, -half))
    rightJoins[i] =
      around.right ??
      rightCuts.at(before, i, into, out, half) ??
      via(node.at, asideOf(node.at, out, half), asideOf(node.at, into, half))
  })
  parts.forEach((_, i) => left.push(...(leftJoins[i] ?? []), ...leftCuts.rim(i)))
  for (let i = parts.length - 1; i >= 0; i--)
    right.push(...rightCuts.rim(i).toReversed().map(reverse), ...(rightJoins[i] ?? []))
  const beyond = [...lefts, ...rights].flatMap((side) => [...side.beyond, ...side.beyond])
  if (closed) return [...contour(left), ...contour(right), ...beyond]
  const first = nodes[0]!,
    last = nodes[nodes.length - 1]!,
    back = { x: -first.out!.x, y: -first.out!.y }
  const whole = [
    ...left,
    ...capRim(last.at, last.into!, half, last.cap),
    ...right,
    ...capRim(first.at, back, half, first.cap),
  ]
  return [...contour(whole), ...beyond]
}

const contour = (segments: readonly Segment[]): Contour[] => (segments.length > 0 ? [{ segments, closed: true }] : [])

/** The rims of a corner, left and (reversed) right. */
function corner(
  { at, shared, join }: Node,
  into: Point,
  out: Point,
  half: number,
  miterLimit: number,
): { left?: Segment[]; right?: Segment[] } {
  if (shared)
    return {
      left: via(at, asideOf(at, into, -half), asideOf(at, out, -half)),
      right: via(at, asideOf(at, out, half), asideOf(at, into, half)),
    }
  const clockwise = cross(into, out) >= 0
  const rim = clockwise
    ? joinRim(at, into, out, half, join, miterLimit)
    : joinRim(at, { x: -out.x, y: -out.y }, { x: -into.x, y: -into.y }, half, join, miterLimit)
  // Where nothing turns, both sides run on.
  if (rim.length === 0) return { left: [], right: [] }
  return clockwise ? { left: rim } : { right: rim }
}

const via = (at: Point, from: Point, to: Point): Segment[] => [line(from, at), line(at, to)]

/** Corners whose cosine plus one is below this count as doubled back. */
const SHARP = 1e-3

/** The rims of one side, where lines that meet on the inside of a corner are cut. */
class Cuts {
  private readonly fromStart: Float64Array
  private readonly fromEnd: Float64Array
  private readonly rims: (readonly Segment[])[]

  constructor(
    private readonly parts: readonly Segment[],
    sides: readonly Side[],
  ) {
    this.fromStart = new Float64Array(parts.length)
    this.fromEnd = new Float64Array(parts.length)
    this.rims = sides.map(({ rim }) => rim)
  }

  rim(i: number): readonly Segment[] {
    return this.rims[i]!
  }

  /**
   * Cuts the lines before and after a corner at their intersection, if they are long enough that the cut parts are
   * inside both strokes. Null otherwise.
   */
  at(before: number, after: number, into: Point, out: Point, away: number): Segment[] | null {
    const a = this.parts[before]!,
      b = this.parts[after]!
    if (a.kind !== 'line' || b.kind !== 'line' || before === after) return null
    const half = Math.abs(away),
      straight = 1 + dot(into, out),
      turned = Math.abs(cross(into, out))
    const cut = (half * turned) / straight,
      reach = Math.max(cut, half * turned)
    const lengthA = distance(a.from, a.to),
      lengthB = distance(b.from, b.to)
    // Nearly doubled back, they meet nowhere that can be told.
    if (straight < SHARP) return null
    if (!(
      reach <= lengthA &&
      reach <= lengthB &&
      cut + this.fromStart[before]! <= lengthA &&
      cut + this.fromEnd[after]! <= lengthB
    ))
      return null
    this.fromEnd[before] = cut
    this.fromStart[after] = cut
    const meet: Point = {
      x: b.from.x - (away * (into.y + out.y)) / straight,
      y: b.from.y + (away * (into.x + out.x)) / straight,
    }
    this.rims[before] = [line((this.rims[before]![0] as Line).from, meet)]
    this.rims[after] = [line(meet, (this.rims[after]![0] as Line).to)]
    return []
  }
}
