import type { Point } from '../../../geometry/point'
import { cosSin } from '../../../geometry/transform'
import { withNodeRadii } from '../../evaluate/corners'
import { framePoint, shareOf } from '../../model/frame'
import { cornerGrip, pulledRadius, radiusFigure } from '../../model/grip'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { drawnFrame, drawnIn } from './drawn'
import { polygonNodes, polygonPath } from './outline'
import { Polygon } from './schema'
import { folded, polygonRun, turnedSide } from './side'

export type { Polygon }

export const polygon = defineKind<Polygon>({
  kind: 'polygon',
  word: 'Polygon',
  schema: Polygon,
  edge: polygonPath,
  frame: (object, scene) => drawnFrame(object, scene),
  toFrame: (object, frame, scene) => drawnIn(object, frame, scene),
  turnedOver: (object) => (object.side ? { ...object, side: turnedSide(object.side) } : object),
  withRadii(object, change) {
    if (!object.side) return object
    const nodes = withNodeRadii(object.side.nodes, change)
    return nodes === object.side.nodes ? object : { ...object, side: { ...object.side, nodes } }
  },
  segments: ({ sides, side, depth }) => sides * 2 * (1 + (side?.nodes.length ?? (depth ? 1 : 0))),
  length: ({ w, h, skew = 0, sides, depth, side }) =>
    2 *
    (w + h) *
    (1 + Math.abs(Math.tan((skew * Math.PI) / 180))) *
    (depth || side ? sides / 2 : 1) *
    (1 + (side?.nodes.length ?? 0)),
  fields: (object) => [SIDES(object), object.side ? OWN_SIDES : DEPTH, CIRCLE],
  grips: (object, scene, least) => [
    {
      id: 'corner',
      at: cornerGrip(polygonNodes(object), 0, scene.radius(object.corner), least),
      what: 'corner',
    },
    { id: 'depth', at: depthGrip(object), what: 'depth' },
  ],
  pull(object, grip, to, scene, pull) {
    if (grip === 'corner') {
      const corner = pulledRadius(polygonNodes(object), 0, to, scene, pull)
      return { object: { ...object, corner }, figure: radiusFigure(corner, scene) }
    }
    // How far the point is from the centre along the middle of the first side, as a share of the way to the corners.
    const p = shareOf(object, to),
      angle = (90 - 180 / object.sides) * (Math.PI / 180)
    const along = p.x * Math.cos(angle) - p.y * Math.sin(angle),
      flat = Math.cos(Math.PI / object.sides)
    const depth = along >= flat - 0.02 ? 0 : Math.max(0.01, Math.min(0.99, Math.round((1 - along) * 100) / 100))
    const { depth: _, ...rest } = object
    return { object: depth > 0 ? { ...rest, depth } : rest, figure: `${Math.round(depth * 100)} % deep` }
  },
  nodes: (object) => [polygonRun(object)],
  fold: folded,
  lost: 'its number of sides',
  any: ({ fc, frame, corner, plainStyle }) =>
    fc
      .tuple(
        frame,
        corner,
        fc.integer({ min: 3, max: 9 }),
        fc.constantFrom({}, { depth: 0.4 }, { side: { nodes: [{ x: 0.4, y: 0.2 }] } }),
        plainStyle,
      )
      .map(([box, own, sides, more, style]) => ({ ...box, ...own, sides, ...more, style })),
})

const SIDES = ({ depth }: Polygon): Field<Polygon> => ({
  id: 'sides',
  what: 'the sides',
  as: 'number',
  suffix: depth ? ' points' : ' sides',
  step: 1,
  limits: { least: 3, most: 120, whole: true },
  read: ({ sides }) => sides,
  write: (object, sides) => ({ ...object, sides }),
})

const DEPTH: Field<Polygon> = {
  id: 'depth',
  what: 'the depth',
  as: 'number',
  suffix: ' % deep',
  step: 1,
  limits: { least: 0, most: 99 },
  read: ({ depth = 0 }) => depth * 100,
  write: (object, value) => withDepth(object, value / 100),
}

const OWN_SIDES: Field<Polygon> = {
  id: 'own sides',
  what: 'the sides',
  as: 'reset',
  word: 'own sides',
  title: 'Make the sides plain again',
  write: (object) => withDepth(object, 0),
}

/** The width of the circle it stands in; it grows about its centre, in proportion. */
const CIRCLE: Field<Polygon> = {
  id: 'circle',
  what: 'the circle',
  as: 'number',
  suffix: ' ⌀',
  limits: { least: 0, above: true, most: 1e6 },
  read: ({ w }) => w,
  write(object, w) {
    const h = object.w > 0 ? (object.h * w) / object.w : w
    return { ...object, x: object.x - (w - object.w) / 2, y: object.y - (h - object.h) / 2, w, h }
  },
}

function withDepth({ depth: _, side: __, ...rest }: Polygon, depth: number): Polygon {
  return depth > 0 ? { ...rest, depth } : rest
}

/** The grip on the middle of the first side, at its depth. */
function depthGrip(object: Polygon): Point {
  const { cos, sin } = cosSin(180 / object.sides - 90),
    reach = (object.depth ? 1 - object.depth : Math.cos(Math.PI / object.sides)) / 2
  return framePoint(object, { x: 0.5 + reach * cos, y: 0.5 + reach * sin })
}
