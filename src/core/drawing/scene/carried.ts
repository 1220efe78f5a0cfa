import type { Path } from '../../geometry/path'
import { REACH, WARP } from '../../geometry/tolerance'
import { simplify } from '../../outline/simplify'
import { type Bending, warpPath } from '../../outline/warp'
import { withStrokesOutlined } from './stroke-outlines'
import type { Shape } from './shape'

/** How the tolerance is shared between following the map and taking out nodes that have become needless. */
const FOLLOW = 0.8,
  SIMPLIFY = 0.2

/** A path carried by a map that bends, within so many grid units, with few nodes. */
export function carriedPath(path: Path, bending: Bending, within: number): Path {
  // Far outside the square the same tolerance would take countless cubics.
  const ends = path.flatMap(({ segments }) => segments.map(({ from }) => bending(from)))
  const far = ends.reduce((most, { x, y }) => Math.max(most, Math.abs(x), Math.abs(y)), 0)
  const tolerance = within * Math.max(1, far / REACH)
  const followed = warpPath(path, bending, FOLLOW * tolerance)
  // Needless nodes do not matter in a preview.
  return within > WARP ? followed : simplify(followed, SIMPLIFY * tolerance)
}

/** Shapes carried by a map that bends: their strokes too, or, with their `weight` kept, only the lines they follow. */
export function carried(shapes: readonly Shape[], bending: Bending, weight: 'bent' | 'kept', within: number): Shape[] {
  const source = weight === 'bent' ? withStrokesOutlined(shapes) : shapes
  return source.map((shape) => ({ ...shape, path: carriedPath(shape.path, bending, within) }))
}
