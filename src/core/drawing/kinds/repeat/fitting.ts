import type { FittingFacet } from '../facets/fitting'
import type { Point } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { type Fitting, fittedPlace, type Row } from '../../model/fitting'
import type { Repeat } from './schema'

/** The most copies that are placed one by one. A repeat with more keeps whole steps from its first copy. */
const MOST_COPIES = 36

/** The rows of a repeat that has few enough copies for each to be placed; null where it has more, or lies otherwise. */
function placedRows(object: Repeat): { from: Point; rows: Row[] } | null {
  const rows = rowsOf(object)
  const count = rows?.reduce((product, { count }) => product * count, 1) ?? Infinity
  return rows && count <= MOST_COPIES ? { from: object.from, rows } : null
}

/**
 * The rows of a repeat: two of a lattice, one of a straight line from end to end. Null for copies around a centre, along a
 * curve, or with shifted rows.
 */
function rowsOf({ course }: Repeat): Row[] | null {
  if (course.by === 'lattice')
    return course.shift
      ? null
      : [
          { count: course.columns, step: course.across },
          { count: course.rows, step: course.down },
        ]
  if (course.by !== 'path' || course.run.closed || course.distance !== undefined || course.inside || course.turned)
    return null
  const [a, b, ...more] = course.run.nodes
  if (!a || !b || more.length > 0 || a.out || b.in || a.arc) return null
  const steps = Math.max(1, course.count - 1)
  return [{ count: course.count, step: { x: (b.x - a.x) / steps, y: (b.y - a.y) / steps } }]
}

/**
 * Fits a repeat in rows to another grid: the fitted places of the first and the last copy of a row give its step. Null for
 * copies around a centre or along a curve.
 */
function fittedRepeat(object: Repeat, to: Fitting): Repeat | null {
  const { course } = object,
    from = fittedPlace(object.from, to)
  if (course.by === 'lattice' && course.shift)
    return {
      ...object,
      from,
      course: { ...course, across: scaledStep(course.across, to.scale), down: scaledStep(course.down, to.scale) },
    }
  const rows = rowsOf(object)
  if (!rows) return null
  const isPlaced = placedRows(object) !== null
  const steps = rows.map(({ count, step }): { x: number; y: number } => {
    const steps = count - 1
    if (!isPlaced) return scaledStep(step, to.scale)
    if (steps < 1) return { x: tidy(step.x * to.scale), y: tidy(step.y * to.scale) }
    const end = fittedPlace(lastOf(object.from, { count, step }), to)
    return { x: tidy((end.x - from.x) / steps), y: tidy((end.y - from.y) / steps) }
  })
  if (course.by === 'lattice') return { ...object, from, course: { ...course, across: steps[0]!, down: steps[1]! } }
  if (course.by !== 'path') return null
  const [a, b] = course.run.nodes as [Point, Point],
    count = Math.max(1, course.count - 1)
  const start = {
    x: tidy(from.x + (a.x - object.from.x) * to.scale),
    y: tidy(from.y + (a.y - object.from.y) * to.scale),
  }
  const end = { x: tidy(start.x + steps[0]!.x * count), y: tidy(start.y + steps[0]!.y * count) }
  return {
    ...object,
    from,
    course: {
      ...course,
      run: {
        closed: false,
        nodes: [
          { ...a, ...start },
          { ...b, ...end },
        ],
      },
    },
  }
}

/** The place of the last copy of a row whose first is at `from`. */
const lastOf = (from: Point, { count, step }: Row): Point => ({
  x: from.x + (count - 1) * step.x,
  y: from.y + (count - 1) * step.y,
})

/** A step in proportion, whole along each axis where it is long enough for that. */
const scaledStep = ({ x, y }: Point, scale: number): { x: number; y: number } => ({
  x: whole(x * scale),
  y: whole(y * scale),
})

const whole = (value: number): number => (Math.abs(value) < 1 ? tidy(value) : Math.round(value))

export const fitting: FittingFacet<Repeat> = {
  fit: fittedRepeat,
  rows: placedRows,
  middle: ({ course }) => (course.by === 'turn' ? course.at : null),
}
