import { timed, timeoutEra } from '../../geometry/deadline'
import type { Path } from '../../geometry/path'
import { strokedArea } from '../../outline/stroking'
import { combine } from '../../planar/boolean'
import type { Shape } from './shape'

const known = new WeakMap<Shape, Path>()
/** Shapes whose strokes took too long, or could not be computed. */
const slow = new WeakMap<Shape, number>()

/** The area that a shape's stroke paints; nothing where there is none. Remembered for each shape. Throws as strokes do. */
export function strokeInk(shape: Shape): Path {
  const { path, stroke } = shape
  if (!stroke) return []
  let ink = known.get(shape)
  if (!ink) known.set(shape, (ink = strokedArea(path, stroke)))
  return ink
}

/** The areas that a shape paints: its fill, and over it its stroke. Throws as strokes do. */
export const inkOf = (shape: Shape): Path[] => [
  ...(shape.fill ? [shape.path] : []),
  ...(shape.stroke ? [strokeInk(shape)] : []),
]

/** The area that several shapes paint together; hidden parts of those under a mask count. Throws as strokes do. */
export const inkOfAll = (shapes: readonly Shape[]): Path =>
  combine(shapes.flatMap(inkOf).map((path) => ({ path, role: 'adds' as const })))

/** The area of a shape's stroke where it can be computed in time, nothing where it cannot. */
export function strokeInkIfQuick(shape: Shape): Path {
  if (slow.get(shape) === timeoutEra()) return []
  try {
    return timed(() => strokeInk(shape))
  } catch {
    slow.set(shape, timeoutEra())
    return []
  }
}
