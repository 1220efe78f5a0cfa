import { arcCentre } from './arc'
import { hypot } from './point'
import type { Segment } from './segment'

/** Gauss and Legendre's places and weights for eight points on 0..1. */
const GAUSS = [
  [0.1834346424956498, 0.362683783378362],
  [0.525532409916329, 0.3137066458778873],
  [0.7966664774136267, 0.2223810344533745],
  [0.9602898564975363, 0.1012285362903763],
].flatMap(
  ([x, w]) =>
    [
      [0.5 - x! / 2, w! / 2],
      [0.5 + x! / 2, w! / 2],
    ] as const,
)
const PLACES = Float64Array.from(GAUSS, ([t]) => t),
  WEIGHTS = Float64Array.from(GAUSS, ([, weight]) => weight)

/** Relative accuracy of a length; the interval is halved at most `DEEPEST` times. */
const CLOSE = 1e-11,
  DEEPEST = 15

/**
 * Lengths of a segment up to some of its parameters. Between two neighbouring parameters an eight-point Gauss–Legendre
 * sum gives the rest within `CLOSE`.
 */
type Lengths = { readonly speed: Speed; readonly ts: readonly number[]; readonly lengths: readonly number[] }

/** How fast a segment runs at a parameter: the size of its first derivative. */
type Speed = (t: number) => number

/** Lengths by segment: a segment is immutable, so they are computed once. */
const known = new WeakMap<Segment, Lengths>()

/** The length of a segment: exact for lines and circular arcs, within 1e-9 of it for ellipses and cubics. */
export function segmentLength(segment: Segment): number {
  return evenLength(segment) ?? lengthsOf(segment).lengths.at(-1)!
}

/** The length of a segment of constant speed; null of any other. */
function evenLength(segment: Segment): number | null {
  if (segment.kind === 'line') return hypot(segment.to.x - segment.from.x, segment.to.y - segment.from.y)
  if (segment.kind === 'cubic') return null
  const { rx, ry, extent } = arcCentre(segment)
  return rx === ry ? rx * Math.abs(extent) : null
}

/** The parameter at which a segment has a given length behind it: Newton's method, bracketed from both sides. */
export function lengthTo(segment: Segment, length: number): number {
  const even = evenLength(segment)
  if (even !== null) return length / even
  const { speed, ts, lengths } = lengthsOf(segment)
  let k = 0
  for (let end = lengths.length - 1; end - k > 1;) {
    const middle = (k + end) >> 1
    if (lengths[middle]! <= length) k = middle
    else end = middle
  }
  const start = ts[k]!,
    rest = length - lengths[k]!,
    whole = lengths[k + 1]! - lengths[k]!
  if (whole === 0) return start
  let lo = start,
    hi = ts[k + 1]!,
    t = start + ((hi - lo) * rest) / whole
  for (let i = 0; i < 60 && hi > lo; i++) {
    const over = integral(speed, start, t) - rest
    if (Math.abs(over) < CLOSE) return t
    if (over > 0) hi = t
    else lo = t
    const next = t - over / speed(t)
    const within = next > lo && next < hi ? next : (lo + hi) / 2
    if (within === t) return t
    t = within
  }
  return t
}

function lengthsOf(segment: Segment): Lengths {
  let lengths = known.get(segment)
  if (!lengths) known.set(segment, (lengths = integrated(speedOf(segment))))
  return lengths
}

function integrated(speed: Speed): Lengths {
  const ts = [0],
    lengths = [0]
  const refine = (a: number, b: number, whole: number, depth: number): void => {
    const middle = (a + b) / 2,
      left = integral(speed, a, middle),
      right = integral(speed, middle, b)
    if (Math.abs(left + right - whole) >= CLOSE * (1 + left + right) && depth < DEEPEST) {
      refine(a, middle, left, depth + 1)
      refine(middle, b, right, depth + 1)
      return
    }
    const before = lengths[lengths.length - 1]!
    ts.push(middle, b)
    lengths.push(before + left, before + left + right)
  }
  refine(0, 1, integral(speed, 0, 1), 0)
  return { speed, ts, lengths }
}

function integral(speed: Speed, a: number, b: number): number {
  let sum = 0
  for (let i = 0; i < PLACES.length; i++) sum += WEIGHTS[i]! * speed(a + (b - a) * PLACES[i]!)
  return sum * (b - a)
}

function speedOf(segment: Segment): Speed {
  if (segment.kind === 'arc') {
    const { rx, ry, start, extent } = arcCentre(segment)
    return (t) => {
      const angle = start + extent * t
      return Math.abs(extent) * hypot(rx * Math.sin(angle), ry * Math.cos(angle))
    }
  }
  if (segment.kind === 'line') return () => evenLength(segment)!
  const { from, c1, c2, to } = segment
  // The coefficients of the derivative are computed once, so that one evaluation takes a few products.
  const x0 = 3 * (c1.x - from.x),
    y0 = 3 * (c1.y - from.y),
    x1 = 6 * (from.x - 2 * c1.x + c2.x),
    y1 = 6 * (from.y - 2 * c1.y + c2.y),
    x2 = 3 * (to.x - from.x + 3 * (c1.x - c2.x)),
    y2 = 3 * (to.y - from.y + 3 * (c1.y - c2.y))
  return (t) => {
    const x = x0 + t * (x1 + t * x2),
      y = y0 + t * (y1 + t * y2)
    return Math.sqrt(x * x + y * y)
  }
}
