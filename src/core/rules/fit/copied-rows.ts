import { type DrawingObject, kindOf } from '../../drawing/objects/object'
import type { Point } from '../../geometry/point'

/** A row of copies: how many, and the step from one to the next, on the set's grid. */
export type Row = { readonly count: number; readonly step: Point }

/** How many copies are placed one by one; more of them are placed by the first one alone. */
const MOST_COPIES = 36

/** The rows of a repeat whose copies are placed one by one; null for all else. */
export function copiedRows(object: DrawingObject): readonly Row[] | null {
  const rows = kindOf(object).fitting.rows?.(object)
  return rows && rows.reduce((product, { count }) => product * count, 1) <= MOST_COPIES ? rows : null
}

/** The number of each copy along every row, the first one's first. */
export const numbersIn = (rows: readonly Row[]): number[][] =>
  rows.reduce<number[][]>(
    (found, { count }) => found.flatMap((one) => Array.from({ length: count }, (_, i) => [...one, i])),
    [[]],
  )

/** How far each copy lies from the first one, which is included. */
export const offsetsOf = (rows: readonly Row[]): Point[] =>
  numbersIn(rows).map((at) =>
    rows.reduce((sum, { step }, k) => ({ x: sum.x + at[k]! * step.x, y: sum.y + at[k]! * step.y }), { x: 0, y: 0 }),
  )
