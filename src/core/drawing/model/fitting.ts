import type { Point } from '../../geometry/point'
import { tidy } from '../../geometry/tidy'
import type { WithFrame } from './traits'

/**
 * How a drawing is brought to another grid: a monotone map for each axis, and the scale of everything that is not tied
 * to coordinates.
 */
export type Fitting = {
  readonly scale: number
  readonly x: (x: number) => number
  readonly y: (y: number) => number
  /** Where a place goes that is not simply where its coordinates go, and how large a circle about one becomes. */
  readonly place?: (p: Point) => Point | null
  readonly radius?: (centre: Point, r: number) => number | null
}

/** A row of copies: their count, and the step from one to the next. */
export type Row = { readonly count: number; readonly step: Point }

export const STAYING: Fitting = { scale: 1, x: (x) => x, y: (y) => y }

/** Where a place goes. */
export function fittedPlace(p: Point, to: Fitting): { x: number; y: number } {
  const { x, y } = to.place?.(p) ?? { x: to.x(p.x), y: to.y(p.y) }
  return { x: tidy(x), y: tidy(y) }
}

/** Fits an upright frame by mapping its sides; a square frame stays square. Null if the frame is turned. */
export function fittedFrame<T extends WithFrame>(object: T, to: Fitting): T | null {
  const { x, y, w, h, turn, skew } = object
  if (turn || skew) return null
  const { x: left, y: top } = fittedPlace({ x, y }, to),
    end = fittedPlace({ x: x + w, y: y + h }, to)
  let wide = end.x - left,
    high = end.y - top
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
