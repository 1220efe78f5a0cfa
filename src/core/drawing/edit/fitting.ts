import type { Point } from '../../geometry/point'
import { tidy } from '../../geometry/tidy'
import type { WithFrame } from '../kinds/traits'

/**
 * How a drawing is brought to another grid: where coordinates across and down go, in their order, and by how much what
 * lies free of them is scaled.
 */
export type Fitting = {
  readonly scale: number
  readonly x: (x: number) => number
  readonly y: (y: number) => number
}

export const STAYING: Fitting = { scale: 1, x: (x) => x, y: (y) => y }

/** Where a place goes. */
export const fittedPlace = ({ x, y }: Point, to: Fitting): { x: number; y: number } => ({
  x: tidy(to.x(x)),
  y: tidy(to.y(y)),
})

/**
 * An upright frame whose sides go where their coordinates go; one that is as wide as it is high stays so. Null for one
 * that is turned.
 */
export function fittedFrame<T extends WithFrame>(object: T, to: Fitting): T | null {
  const { x, y, w, h, turn, skew } = object
  if (turn || skew) return null
  const left = to.x(x),
    top = to.y(y)
  let wide = to.x(x + w) - left,
    high = to.y(y + h) - top
  const middle = { x: left + wide / 2, y: top + high / 2 }
  if (Math.abs(w - h) < 1e-9 && wide !== high) wide = high = (wide + high) / 2
  return {
    ...object,
    x: tidy(middle.x - wide / 2),
    y: tidy(middle.y - high / 2),
    w: tidy(wide),
    h: tidy(high),
  }
}
