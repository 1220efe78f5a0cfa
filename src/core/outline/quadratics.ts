import { arcCentre, arcFromAngles } from '../geometry/arc'
import { splitCubic } from '../geometry/cubic'
import type { Point } from '../geometry/point'
import type { Segment } from '../geometry/segment'

/** A quadratic Bézier curve from where the last one ended; a straight line where it has no control point. */
type Quadratic = { readonly control: Point | null; readonly to: Point }

/**
 * A segment as quadratic Bézier curves that lie within a distance of it: the fewest pieces, equal in the parameter, whose
 * error bound is small enough. Ends are exact.
 */
export function quadraticsOf(segment: Segment, within: number): Quadratic[] {
  switch (segment.kind) {
    case 'line':
      return [{ control: null, to: segment.to }]
    case 'cubic':
      return cubicQuadratics(segment, within)
    case 'arc':
      return arcQuadratics(segment, within)
  }
}

/**
 * The error of one curve for a cubic is at most √3/36 · |to − 3 c2 + 3 c1 − from| (degree reduction at the middle); it
 * falls with the third power of the number of pieces.
 */
function cubicQuadratics(cubic: Extract<Segment, { kind: 'cubic' }>, within: number): Quadratic[] {
  const { from, c1, c2, to } = cubic
  const third = Math.hypot(to.x - 3 * c2.x + 3 * c1.x - from.x, to.y - 3 * c2.y + 3 * c1.y - from.y)
  const count = Math.max(1, Math.ceil(Math.cbrt((Math.sqrt(3) / 36) * (third / within))))
  const curves: Quadratic[] = []
  let rest = cubic
  for (let left = count; left > 0; left--) {
    const [piece, next] = left === 1 ? [rest, rest] : splitCubic(rest, 1 / left)
    curves.push({
      control: {
        x: (3 * (piece.c1.x + piece.c2.x) - piece.from.x - piece.to.x) / 4,
        y: (3 * (piece.c1.y + piece.c2.y) - piece.from.y - piece.to.y) / 4,
      },
      to: piece.to,
    })
    rest = next
  }
  return curves
}

/** Pieces of an arc, each with its control point where the tangents at its ends meet. */
function arcQuadratics(arc: Extract<Segment, { kind: 'arc' }>, within: number): Quadratic[] {
  const { centre, rx, ry, start, extent } = arcCentre(arc)
  const radius = Math.max(rx, ry)
  // The middle of such a curve is farthest from its arc.
  const error = (count: number) => {
    const cos = Math.cos(Math.abs(extent) / count / 2)
    return (radius * (1 - cos) ** 2) / (2 * cos)
  }
  let count = Math.max(1, Math.ceil(Math.abs(extent) / (Math.PI / 2)))
  while (error(count) > within) count++
  const half = extent / count / 2,
    beyond = 1 / Math.cos(half)
  return Array.from({ length: count }, (_, i) => {
    const middle = start + (2 * i + 1) * half
    return {
      control: arcFromAngles(centre, rx * beyond, ry * beyond, arc.turn, middle),
      to: i === count - 1 ? arc.to : arcFromAngles(centre, rx, ry, arc.turn, middle + half),
    }
  })
}
