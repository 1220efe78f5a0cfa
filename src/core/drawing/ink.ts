import { timed } from '../geometry/deadline'
import type { Path } from '../geometry/path'
import { strokedArea } from '../outline/stroking'
import type { Shape } from './shape'

const known = new WeakMap<Shape, Path>()

/**
 * The area that a shape's stroke paints; nothing where there is no stroke, or where it takes too long. Remembered for
 * each shape.
 */
export function strokeInk(shape: Shape): Path {
  let ink = known.get(shape)
  if (!ink) known.set(shape, (ink = computed(shape)))
  return ink
}

function computed({ path, stroke }: Shape): Path {
  if (!stroke) return []
  try {
    return timed(() => strokedArea(path, stroke))
  } catch {
    return []
  }
}
