import type { Row } from '../../drawing/model/fitting'
import type { Point } from '../../geometry/point'

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
