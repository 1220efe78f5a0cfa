import { keepsMiddle, roundStretches, type RoundStretch } from '../../drawing/kinds/path/fitted-run'
import type { NodeRun } from '../../drawing/model/node'
import { contourOf } from '../../drawing/model/nodes'
import { distance, type Point } from '../../geometry/point'
import type { Cubic, Segment } from '../../geometry/segment'
import { across, AXES, markAt, type Marks, NICE, type Paint, STRONG } from './mark'

/** A line that is shorter, in units of the set's grid, is a dot; and the length of edge that each side of it counts. */
const DOT = 0.05,
  SEEN_OF_DOT = 2.5
/** How much of a circle's side looks straight, as a share of its radius. */
const FLAT = 0.6

/** The four sides of an ellipse, those of a stretch of a circle where it passes them. */
export function roundMarks(
  centre: Point,
  rx: number,
  ry: number,
  passed: ((angle: number) => boolean) | null,
  paint: Paint,
  into: Marks,
): void {
  for (const axis of AXES) {
    const r = axis === 'x' ? rx : ry,
      other = axis === 'x' ? ry : rx
    const at = centre[axis],
      mid = centre[across(axis)]
    for (const side of [-1, 1] as const) {
      const angle = axis === 'x' ? (side > 0 ? 0 : 180) : side > 0 ? 90 : 270
      const isSeen = passed === null || passed(angle)
      into.marks[axis].push(
        markAt(
          at + side * r,
          mid - other / 2,
          mid + other / 2,
          isSeen ? FLAT * other : 0,
          -side as 1 | -1,
          isSeen ? paint : null,
        ),
      )
    }
    into.marks[axis].push(markAt(at, mid, mid, 0, 0, null))
    into.middles[axis].push({ a: at - r, b: at + r, middle: at, weight: STRONG })
  }
  if (Math.abs(rx - ry) < 1e-9)
    into.squares.push({
      x: [centre.x - rx, centre.x + rx],
      y: [centre.y - ry, centre.y + ry],
      weight: STRONG,
    })
}

/**
 * Marks along the segments of a run. `turn` is 1 if ink is on its right; `less` is the length at each end that is not
 * straight.
 */
export function runMarks(of: NodeRun, turn: number, paint: Paint, into: Marks, less = 0): void {
  const { segments, closed } = contourOf(of)
  const [only, ...more] = segments
  if (only && more.length === 0 && !closed && distance(only.from, only.to) < DOT) return dotted(only, paint, into)
  segments.forEach((segment) => {
    if (segment.kind === 'line') straight(segment, turn, closed, paint, into, less)
    if (segment.kind === 'cubic') bent(segment, paint, into)
  })
  for (const stretch of roundStretches(of)) if (keepsMiddle(stretch)) circled(stretch, of, paint, into)
  if (!closed) {
    ended(segments[0]!, 'from', paint, into)
    ended(segments.at(-1)!, 'to', paint, into)
  }
}

/** A dot: both sides of its stroke are seen along both axes. */
function dotted({ from, to }: Segment, paint: Paint, into: Marks): void {
  const half = (paint.stroke?.was ?? 0) / 2
  for (const axis of AXES) {
    const other = across(axis)
    for (const at of new Set([from[axis], to[axis]]))
      into.marks[axis].push(markAt(at, from[other] - half, from[other] + half, SEEN_OF_DOT, 0, paint))
  }
}

function straight({ from, to }: Segment, turn: number, closed: boolean, paint: Paint, into: Marks, less: number): void {
  const dx = to.x - from.x,
    dy = to.y - from.y
  for (const axis of AXES) {
    const other = across(axis)
    if (Math.abs(to[axis] - from[axis]) > 1e-6) continue
    const long = Math.abs(to[other] - from[other])
    if (long < 1e-6) continue
    // On screen the right of a way down is towards smaller x, that of a way to the right towards greater y.
    const right = axis === 'x' ? -Math.sign(dy) : Math.sign(dx)
    const ink = closed ? ((right * turn) as 1 | -1) : 0
    into.marks[axis].push(
      markAt(
        from[axis],
        Math.min(from[other], to[other]),
        Math.max(from[other], to[other]),
        Math.max(0, long - less),
        ink,
        paint,
      ),
    )
    return
  }
  const { reach } = markAt(0, 0, 0, 0, 0, paint)
  for (const end of [from, to])
    for (const axis of AXES)
      into.marks[axis].push({ ...markAt(end[axis], end[across(axis)], end[across(axis)], 0, 0, null), reach })
  if (Math.abs(Math.abs(dx) - Math.abs(dy)) < 1e-4)
    into.squares.push({
      x: [Math.min(from.x, to.x), Math.max(from.x, to.x)],
      y: [Math.min(from.y, to.y), Math.max(from.y, to.y)],
      weight: NICE,
    })
}

/** Where a curve begins level or plumb it has its side there. */
function bent(segment: Cubic, paint: Paint, into: Marks): void {
  for (const [node, handle] of [
    [segment.from, segment.c1],
    [segment.to, segment.c2],
  ] as const)
    for (const axis of AXES) {
      const other = across(axis)
      const long = Math.abs(handle[other] - node[other])
      if (Math.abs(handle[axis] - node[axis]) > 1e-6 || long < 0.25) continue
      const beyond = node === segment.from ? segment.to : segment.from
      const ink = Math.sign(beyond[axis] - node[axis]) as 1 | -1 | 0
      into.marks[axis].push(markAt(node[axis], node[other] - long / 2, node[other] + long / 2, long / 2, ink, paint))
    }
}

function circled({ at, count, centre, r }: RoundStretch, { nodes }: NodeRun, paint: Paint, into: Marks): void {
  const passed = (degrees: number) => {
    const p = {
      x: centre.x + r * Math.cos((degrees * Math.PI) / 180),
      y: centre.y + r * Math.sin((degrees * Math.PI) / 180),
    }
    for (let k = 0; k < count; k++) {
      const a = nodes[(at + k) % nodes.length]!,
        b = nodes[(at + k + 1) % nodes.length]!
      if (onArc(p, a, b, a.arc?.sweep === true)) return true
    }
    return false
  }
  roundMarks(centre, r, r, passed, paint, into)
}

/** Where an open line ends level or plumb, its cap is an edge too. */
function ended(segment: Segment, end: 'from' | 'to', paint: Paint, into: Marks): void {
  if (segment.kind !== 'line' || !paint.stroke) return
  const at = segment[end],
    other = segment[end === 'from' ? 'to' : 'from']
  for (const axis of AXES) {
    if (Math.abs(at[across(axis)] - other[across(axis)]) > 1e-6) continue
    const out = Math.sign(at[axis] - other[axis]) as 1 | -1
    const { was, is } = paint.stroke
    const beyond = paint.cap === 'butt' ? 0 : 0.5
    const reach = { was: was * beyond, is: is * beyond }
    const none = { was: 0, is: 0 }
    into.marks[axis].push({
      at: at[axis],
      from: at[across(axis)] - was / 2,
      to: at[across(axis)] + was / 2,
      edges: [out * reach.is],
      before: out < 0 ? reach : null,
      after: out > 0 ? reach : null,
      reach: out < 0 ? [reach, none] : [none, reach],
      length: was * (paint.cap === 'round' ? 0.4 : 1),
    })
  }
}

/** Twice the area that a closed run goes around, by its nodes; its sign says which way. */
export const areaOf = ({ nodes, closed }: NodeRun): number =>
  closed
    ? nodes.reduce((sum, { x, y }, i) => {
        const next = nodes[(i + 1) % nodes.length]!
        return sum + x * next.y - next.x * y
      }, 0)
    : 0

/** Whether a point of a circle is on the arc between two others. */
function onArc(p: Point, a: Point, b: Point, sweep: boolean): boolean {
  const side = (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)
  // The arc that runs clockwise on screen lies to the left of its chord.
  return sweep ? side < 1e-9 : side > -1e-9
}
