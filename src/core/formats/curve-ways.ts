import type { Point } from '../geometry/point'
import type { Cubic } from '../geometry/segment'
import { rounded } from './number'
import { arcLike } from './simpler'

/** Which numbers of a command are x (0) or y (1) coordinates and so may be relative. */
export type Axis = 0 | 1 | null
export const X: readonly Axis[] = [0],
  Y: readonly Axis[] = [1],
  XY: readonly Axis[] = [0, 1],
  XYXY: readonly Axis[] = [0, 1, 0, 1],
  XYXYXY: readonly Axis[] = [0, 1, 0, 1, 0, 1]
export const ARC: readonly Axis[] = [null, null, null, null, null, 0, 1]

/** The control point that a smooth curve begins with, by the curve before it. */
export type Smooth = { readonly letter: 'C' | 'Q'; readonly x: number; readonly y: number }

/** A way to write a curve, and what a smooth one after it begins with. */
export type Way = {
  readonly letter: string
  readonly numbers: readonly number[]
  readonly axes: readonly Axis[]
  readonly next: Smooth | null
}

/**
 * The commands that a cubic can be written by, at so many digits, after a curve that a smooth one may go on from: as a
 * cubic, as the quadratic or, where its ends may bend a little, the arc that it is.
 */
export function waysOf(cubic: Cubic, before: Smooth | null, digits: number, mayBend: boolean): readonly Way[] {
  const { from, c1, c2, to } = cubic,
    unit = 10 ** -digits
  const after = (letter: 'C' | 'Q', { x, y }: Point): Smooth => ({
    letter,
    x: rounded(2 * rounded(to.x, digits) - rounded(x, digits), digits),
    y: rounded(2 * rounded(to.y, digits) - rounded(y, digits), digits),
  })
  const isNext = (letter: 'C' | 'Q', { x, y }: Point) =>
    before?.letter === letter && rounded(x, digits) === before.x && rounded(y, digits) === before.y
  const ways: Way[] = [
    isNext('C', c1)
      ? { letter: 'S', numbers: [c2.x, c2.y, to.x, to.y], axes: XYXY, next: after('C', c2) }
      : { letter: 'C', numbers: [c1.x, c1.y, c2.x, c2.y, to.x, to.y], axes: XYXYXY, next: after('C', c2) },
  ]
  // As a quadratic it is off by less than a tenth of how far the two ends want its control point apart.
  const q1 = { x: from.x + 1.5 * (c1.x - from.x), y: from.y + 1.5 * (c1.y - from.y) },
    q2 = { x: to.x + 1.5 * (c2.x - to.x), y: to.y + 1.5 * (c2.y - to.y) }
  if (Math.hypot(q1.x - q2.x, q1.y - q2.y) <= 5 * unit) {
    const q = { x: (q1.x + q2.x) / 2, y: (q1.y + q2.y) / 2 }
    ways.push(
      isNext('Q', q)
        ? { letter: 'T', numbers: [to.x, to.y], axes: XY, next: after('Q', before!) }
        : { letter: 'Q', numbers: [q.x, q.y, to.x, to.y], axes: XYXY, next: after('Q', q) },
    )
  }
  const round = mayBend ? arcLike(cubic, unit, digits) : null
  if (round) {
    const { radius, sweep } = round
    ways.push({ letter: 'A', numbers: [radius, radius, 0, 0, sweep ? 1 : 0, to.x, to.y], axes: ARC, next: null })
  }
  return ways
}
