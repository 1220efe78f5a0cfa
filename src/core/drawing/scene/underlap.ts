import type { Path } from '../../geometry/path'
import { offset } from '../../outline/offset'
import { combine } from '../../planar/boolean'
import type { Shape } from './shape'

/**
 * Extends filled shapes by a distance in grid units below the shapes above them, so that the ground does not show along
 * shared edges. Strokes, and shapes under another effect than those above, are unchanged.
 */
export function underlapped(shapes: readonly Shape[], by: number): Shape[] {
  return shapes.map((shape, i) => {
    if (!shape.fill || shape.stroke) return shape
    const above = shapes
      .slice(i + 1)
      .filter(({ fill, effect, path }) => fill && effect === shape.effect && path.length > 0)
    if (above.length === 0) return shape
    const cover = combine(above.map(({ path }) => ({ path, role: 'adds' as const })))
    const grown = offset(shape.path, by, { join: 'round', miterLimit: 4 })
    const beneath = combine([
      { path: grown, role: 'adds' },
      { path: cover, role: 'overlap' },
    ])
    const path: Path = combine([
      { path: shape.path, role: 'adds' },
      { path: beneath, role: 'adds' },
    ])
    return { ...shape, path }
  })
}
