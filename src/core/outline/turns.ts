import { arcCentre } from '../geometry/arc'
import { cross, dot, type Point } from '../geometry/point'
import { directionAt } from '../geometry/slope'
import { rootsOnUnit } from '../geometry/roots'
import type { Segment } from '../geometry/segment'
import { SAME_PARAMETER } from '../geometry/tolerance'

/** Directions at which turning is detected: every eighth of a turn. */
const DIRECTIONS = [0, 1, 2, 3].map((k) => ({ x: Math.cos((k * Math.PI) / 4), y: Math.sin((k * Math.PI) / 4) }))

/** An eighth of a turn within this stretch of the parameter is sudden: even samples would skip it. */
const SUDDEN = 1 / 16

/**
 * The parameters between which a curve turns by an eighth of a turn at most, where it does so suddenly: around a hairpin
 * of a cubic that all but returns on itself, or at the ends of an ellipse that is all but flat. In order, from 0 and 1
 * apart; none where the curve turns gently.
 */
export function suddenTurns(segment: Segment): readonly number[] {
  let turns = known.get(segment)
  if (!turns) {
    const all = directionsOf(segment)
      .filter((t) => t > SAME_PARAMETER && t < 1 - SAME_PARAMETER)
      .sort((a, b) => a - b)
    turns = all.filter(
      (t, i) => (i > 0 && t - all[i - 1]! < SUDDEN) || (i + 1 < all.length && all[i + 1]! - t < SUDDEN),
    )
    known.set(segment, turns)
  }
  return turns
}

/** Both sides of a stroke need the turns of the same segment, which is immutable. */
const known = new WeakMap<Segment, readonly number[]>()

/** Into how many even steps a stretch is cut at first. */
export const EVEN = 16
/** The largest turn of a step, in radians, and the largest ratio between the turns of its halves. */
const TURN = 0.35,
  UNEVEN = 0.004

/**
 * Parameters between which a curve turns evenly by small angles: uniform ones, bisected where needed. The direction
 * never turns by half a turn between two of them.
 */
export function turningSteps(segment: Segment, from: number, to: number): number[] {
  const ts = [from]
  const refine = (a: number, b: number, into: Point, out: Point, depth: number): void => {
    const middle = (a + b) / 2,
      d = directionAt(segment, middle),
      first = Math.abs(angle(into, d)),
      second = Math.abs(angle(d, out))
    if ((first + second <= TURN && Math.abs(first - second) <= UNEVEN) || depth >= DEEPEST) {
      ts.push(b)
      return
    }
    refine(a, middle, into, d, depth + 1)
    refine(middle, b, d, out, depth + 1)
  }
  let before = directionAt(segment, from)
  for (let i = 1; i <= EVEN; i++) {
    const at = i === EVEN ? to : from + ((to - from) * i) / EVEN,
      here = directionAt(segment, at)
    refine(ts[ts.length - 1]!, at, before, here, 0)
    before = here
  }
  return ts
}

/** The most halvings of a step; its ends coincide after that. */
const DEEPEST = 34

const angle = (a: Point, b: Point): number => Math.atan2(cross(a, b), dot(a, b))

/** Where a curve runs along one of the directions: roots of a quadratic, of an ellipse angles in closed form. */
function directionsOf(segment: Segment): number[] {
  if (segment.kind === 'line') return []
  if (segment.kind === 'cubic') {
    const { from, c1, c2, to } = segment
    const d0 = { x: c1.x - from.x, y: c1.y - from.y },
      d1 = { x: c2.x - c1.x, y: c2.y - c1.y },
      d2 = { x: to.x - c2.x, y: to.y - c2.y }
    return DIRECTIONS.flatMap((u) => {
      const a = cross(d0, u),
        b = cross(d1, u),
        c = cross(d2, u)
      return rootsOnUnit([a, 2 * (b - a), a - 2 * b + c], 0).map(({ t }) => t)
    })
  }
  const { rx, ry, start, extent } = arcCentre(segment)
  const across = { x: Math.cos(segment.turn), y: Math.sin(segment.turn) },
    down = { x: -across.y, y: across.x }
  return DIRECTIONS.flatMap((u) => {
    const angle = Math.atan2(ry * cross(down, u), rx * cross(across, u))
    return [-3, -2, -1, 0, 1, 2, 3].map((k) => (angle + k * Math.PI - start) / extent)
  })
}
