import type { Contour, Path } from '../../geometry/path'
import { distance, dot, type Point } from '../../geometry/point'
import { line, type Segment } from '../../geometry/segment'
import { onCarrier, type Skeleton, type Stretch } from './skeleton'

/** A stretch as a path goes along it. */
type Step = { readonly stretch: Stretch; readonly isBack: boolean }

/** The beginning of a stretch, or its end. */
type End = { readonly stretch: Stretch; readonly end: 0 | 1 }

/** How straight two stretches go on as each other, as a cosine. */
const STRAIGHT = 0.996

/**
 * The paths along a skeleton: through places where two stretches meet, and straight on through those where more do.
 * Neighbouring stretches of one line or circle become one segment; `short` rounds a coordinate.
 */
export function pathsOf({ places, stretches }: Skeleton, short: (value: number) => number): Path {
  const nodes = places.map(({ x, y }) => ({ x: short(x), y: short(y) }))
  const next = pairings(stretches, places)
  const left = new Set(stretches)
  const paths: Contour[] = []
  const follow = (first: Step): void => {
    const steps: Step[] = []
    let step: Step | undefined = first
    while (step && left.delete(step.stretch)) {
      steps.push(step)
      step = next.get(step.stretch)?.[step.isBack ? 0 : 1]
    }
    paths.push(contourOf(steps, step !== undefined, nodes, short))
  }
  // Open paths begin where nothing goes before.
  for (const stretch of stretches)
    for (const isBack of [false, true])
      if (left.has(stretch) && !next.get(stretch)![isBack ? 1 : 0]) follow({ stretch, isBack })
  for (const stretch of stretches) if (left.has(stretch)) follow({ stretch, isBack: false })
  return paths
}

/** For each stretch its continuations at both ends. */
function pairings(
  stretches: readonly Stretch[],
  places: readonly Point[],
): Map<Stretch, [Step | undefined, Step | undefined]> {
  const next = new Map<Stretch, [Step | undefined, Step | undefined]>(
    stretches.map((one) => [one, [undefined, undefined]]),
  )
  const endsAt = places.map((): End[] => [])
  for (const stretch of stretches) {
    endsAt[stretch.a]!.push({ stretch, end: 0 })
    endsAt[stretch.b]!.push({ stretch, end: 1 })
  }
  for (const ends of endsAt) {
    const join = (one: End, other: End) => {
      next.get(one.stretch)![one.end] = { stretch: other.stretch, isBack: other.end === 1 }
      next.get(other.stretch)![other.end] = { stretch: one.stretch, isBack: one.end === 1 }
    }
    if (ends.length === 2) {
      join(ends[0]!, ends[1]!)
      continue
    }
    // Straightest first.
    const pairs = ends
      .flatMap((one, i) => ends.slice(i + 1).map((other) => ({ one, other, cos: -dot(leaving(one), leaving(other)) })))
      .filter(({ cos }) => cos >= STRAIGHT)
      .sort((a, b) => b.cos - a.cos)
    const taken = new Set<object>()
    for (const { one, other } of pairs) {
      if (taken.has(one) || taken.has(other)) continue
      taken.add(one).add(other)
      join(one, other)
    }
  }
  return next
}

/** The direction in which a stretch leaves one of its ends. */
function leaving({ stretch: { carrier, from, to }, end }: End): Point {
  const { across } = onCarrier(carrier, end === 0 ? from : to)
  // Of a circle the way across leads outwards, of all else to the right.
  const forward = carrier.kind === 'circle' ? { x: -across.y, y: across.x } : { x: across.y, y: -across.x }
  return end === 0 ? forward : { x: -forward.x, y: -forward.y }
}

function contourOf(
  steps: readonly Step[],
  closed: boolean,
  nodes: readonly Point[],
  short: (value: number) => number,
): Contour {
  // A closed path begins where one carrier goes over into another.
  const first = closed ? steps.findIndex((step, i) => !isSameRun(steps.at(i - 1)!, step)) : 0
  const ordered = first > 0 ? [...steps.slice(first), ...steps.slice(0, first)] : steps
  const runs: Step[][] = []
  for (const step of ordered) {
    const run = runs.at(-1)
    if (run && isSameRun(run.at(-1)!, step)) run.push(step)
    else runs.push([step])
  }
  return { closed, segments: runs.flatMap((run) => segmentsOf(run, nodes, short)) }
}

const isSameRun = (a: Step, b: Step): boolean =>
  a.stretch.carrier === b.stretch.carrier && a.isBack === b.isBack && a.stretch.carrier.kind !== 'curve'

const startOf = ({ stretch, isBack }: Step): number => (isBack ? stretch.b : stretch.a)
const endOf = ({ stretch, isBack }: Step): number => (isBack ? stretch.a : stretch.b)

function segmentsOf(run: readonly Step[], nodes: readonly Point[], short: (value: number) => number): Segment[] {
  const { stretch, isBack } = run[0]!,
    { carrier } = stretch
  const from = nodes[startOf(run[0]!)]!,
    to = nodes[endOf(run.at(-1)!)]!
  if (carrier.kind === 'line') return distance(from, to) > 0 ? [line(from, to)] : []
  if (carrier.kind === 'curve') return [curveBetween(carrier.segment, isBack, from, to)]
  const extent = run.reduce((sum, one) => sum + one.stretch.to - one.stretch.from, 0)
  const r = short(carrier.r)
  const arc = (a: Point, b: Point, angle: number): Segment => ({
    kind: 'arc',
    from: a,
    to: b,
    rx: r,
    ry: r,
    turn: 0,
    large: angle > Math.PI,
    sweep: !isBack,
  })
  if (startOf(run[0]!) !== endOf(run.at(-1)!)) return [arc(from, to, extent)]
  const centre = { x: short(carrier.centre.x), y: short(carrier.centre.y) }
  const [left, right] = [
    { x: centre.x - r, y: centre.y },
    { x: centre.x + r, y: centre.y },
  ]
  return [arc(left, right, 1), arc(right, left, 1)]
}

/** A curve between two places near its ends, its handles moved along with them. */
function curveBetween(segment: Segment, isBack: boolean, from: Point, to: Point): Segment {
  if (segment.kind !== 'cubic') return line(from, to)
  const [a, c, d, b] = isBack
    ? [segment.to, segment.c2, segment.c1, segment.from]
    : [segment.from, segment.c1, segment.c2, segment.to]
  return {
    kind: 'cubic',
    from,
    to,
    c1: { x: c.x + from.x - a.x, y: c.y + from.y - a.y },
    c2: { x: d.x + to.x - b.x, y: d.y + to.y - b.y },
  }
}
