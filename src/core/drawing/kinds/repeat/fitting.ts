import type { FittingFacet } from '../facets/fitting'
import type { Point } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { type Fitting, fittedPlace } from '../../model/fitting'
import type { Repeat } from './schema'

/**
 * Fits a repeat in rows to another grid: the first copy is mapped, all others have whole steps from it, so that all are
 * equally crisp. Null for copies around a centre or along a curve.
 */
function fittedRepeat(object: Repeat, to: Fitting): Repeat | null {
  const { course } = object
  const from = fittedPlace(object.from, to)
  if (course.by === 'lattice')
    return {
      ...object,
      from,
      course: { ...course, across: wholeStep(course.across, to.scale), down: wholeStep(course.down, to.scale) },
    }
  if (course.by !== 'path' || course.run.closed || course.distance !== undefined || course.inside || course.turned)
    return null
  const [a, b, ...more] = course.run.nodes
  if (!a || !b || more.length > 0 || a.out || b.in || a.arc) return null
  const steps = Math.max(1, course.count - 1)
  const step = wholeStep({ x: (b.x - a.x) / steps, y: (b.y - a.y) / steps }, to.scale)
  const off = (axis: 'x' | 'y') => Math.round((a[axis] - object.from[axis]) * to.scale)
  const start = { x: tidy(from.x + off('x')), y: tidy(from.y + off('y')) }
  const end = { x: tidy(start.x + step.x * steps), y: tidy(start.y + step.y * steps) }
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

/** A step that is whole along each axis where it is long enough for that. */
const wholeStep = ({ x, y }: Point, scale: number): { x: number; y: number } => ({
  x: whole(x * scale),
  y: whole(y * scale),
})

const whole = (value: number): number => (Math.abs(value) < 1 ? tidy(value) : Math.round(value))

export const fitting: FittingFacet<Repeat> = {
  fit: fittedRepeat,
  middle: ({ course }) => (course.by === 'turn' ? course.at : null),
}
