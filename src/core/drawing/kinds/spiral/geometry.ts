import { ellipseAxes } from '../../../geometry/arc'
import type { Path } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import type { Arc } from '../../../geometry/segment'
import { cosSin } from '../../../geometry/transform'
import { framePoint, scaledAxes } from '../../model/frame'
import type { Spiral } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Spiral> = {
  edge: spiralPath,
  isSmaller: () => true,
  turnedOver({ flip, ...rest }) {
    return flip ? rest : { ...rest, flip: true }
  },
  lost: 'its turns as a number',
}

/**
 * The quarter circles of a spiral in the axes of its frame; ellipses if that is not square. Each centre is on the
 * radius at the joint.
 */
export function spiralPath(object: Spiral): Path {
  const quarters = Math.max(1, Math.round(object.turns * 4)),
    { inner, flip } = object
  // Outwards in: from the right, radius 1, anticlockwise on screen.
  const by = (1 - inner) / quarters
  let centre = { x: 0, y: 0 },
    radius = 1
  const place = (p: Point) => framePoint(object, { x: 0.5 + (flip ? -p.x : p.x) / 2, y: 0.5 + p.y / 2 })
  const segments: Arc[] = []
  for (let i = 0; i < quarters; i++) {
    const a = cosSin(-90 * i),
      b = cosSin(-90 * (i + 1))
    const from = place({ x: centre.x + radius * a.cos, y: centre.y + radius * a.sin }),
      to = place({ x: centre.x + radius * b.cos, y: centre.y + radius * b.sin })
    const { u, v } = scaledAxes(object, radius)
    segments.push({ kind: 'arc', ...ellipseAxes(u.x, u.y, v.x, v.y), large: false, sweep: flip === true, from, to })
    const next = radius - by
    centre = { x: centre.x + (radius - next) * b.cos, y: centre.y + (radius - next) * b.sin }
    radius = next
  }
  return [{ segments: segments.filter(({ rx, ry }) => rx > 0 && ry > 0), closed: false }]
}
