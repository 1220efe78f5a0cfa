import type { Path } from '../../../geometry/path'
import { strokeInk } from '../../scene/ink'
import { combine } from '../../../planar/boolean'
import type { Shape } from '../../scene/shape'

/** Clips shapes to the inside or outside of an area; clipped strokes become outlines. */
export function clipped(shapes: readonly Shape[], area: Path, keep: 'inside' | 'outside'): Shape[] {
  const role = keep === 'inside' ? 'overlap' : 'cuts'
  const left = (path: Path): Path =>
    combine([
      { path, role: 'adds' },
      { path: area, role },
    ])
  return shapes.flatMap((shape) => {
    const { path, fill, stroke } = shape
    const parts = [
      ...(fill ? [{ path: left(path), fill }] : []),
      ...(stroke ? [{ path: left(strokeInk(shape)), fill: stroke.paint }] : []),
    ]
    return parts.filter((one) => one.path.length > 0).map((one): Shape => ({ ...shape, ...one, stroke: null }))
  })
}
