import { polyline } from '../../../geometry/path'
import { distance } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { cornerOf, finished } from '../../scene/corners'
import { frameCorners } from '../../model/frame'
import type { NodeRun } from '../../model/node'
import { type Radius } from '../../model/style'
import { SAME_POINT } from '../../../geometry/tolerance'
import type { Rectangle } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Rectangle> = {
  room: ({ w, h }) => Math.min(w, h) / 2,
  edge: (object, scene) =>
    finished([polyline(frameCorners(object), true)], (i) => cornerOf(object, scene, object.corners?.[i])),
  turnedOver(object) {
    if (!object.corners) return object
    const [a, b, c, d] = object.corners as [Radius, Radius, Radius, Radius]
    return { ...object, corners: [b, a, d, c] }
  },
  nodes: (object) => [
    {
      closed: true,
      nodes: frameCorners(object).map(({ x, y }, i) => ({
        x: tidy(x),
        y: tidy(y),
        ...(object.corners && { corner: object.corners[i]! }),
      })),
    },
  ],
  fold: withCorners,
  lost: 'width, height and turn as numbers',
}

export function alike({ corners: _, ...rest }: Rectangle): Rectangle {
  return rest
}

/** A rectangle of which only corners were finished otherwise; null when more was edited. */
function withCorners(object: Rectangle, [run, ...more]: readonly NodeRun[]): Rectangle | null {
  const places = frameCorners(object)
  const kept =
    run?.closed &&
    more.length === 0 &&
    run.nodes.length === 4 &&
    run.nodes.every(
      (node, i) =>
        distance(node, places[i]!) < SAME_POINT &&
        !node.in &&
        !node.out &&
        !node.arc &&
        !node.cornerStyle &&
        !node.join,
    )
  if (!kept) return null
  const corners = run.nodes.map(({ corner }) => corner ?? object.corner)
  return corners.every((corner) => corner === corners[0])
    ? { ...alike(object), corner: corners[0]! }
    : { ...object, corners }
}
