import { ellipseAxes } from '../geometry/arc'
import { type Contour, ellipse, type Path, polyline } from '../geometry/path'
import { add, distance, type Point, subtract } from '../geometry/point'
import { type Arc, line, reverse } from '../geometry/segment'
import { SAME_POINT } from '../geometry/tolerance'
import { cosSin } from '../geometry/transform'
import { type Corner, roundContour } from '../outline/corner'
import { type Frame, frameAxes, frameCorners, framePoint } from './frame'
import { contourOf } from './nodes'
import { polygonRun } from './polygon-side'
import type { Arrow, Cornered, Ellipse, PathObject, Polygon, Rectangle, Spiral } from './object'
import type { CornerStyle, Radius } from './style'
import { type NamedValues, radiusOf } from './values'

/** The outline of a rectangle, each corner with its radius. */
export function rectanglePath(object: Rectangle, values: NamedValues): Path {
  return finished([polyline(frameCorners(object), true)], (_, i) => cornerOf(object, values, object.corners?.[i]))
}

/** The nodes of a polygon or star before its corners are finished, clockwise from the top. */
export function polygonNodes(object: Polygon): Point[] {
  const { sides, depth = 0 } = object
  const count = depth > 0 ? 2 * sides : sides
  return Array.from({ length: count }, (_, i) => {
    const { cos, sin } = cosSin((360 * i) / count - 90)
    const reach = depth > 0 && i % 2 === 1 ? (1 - depth) / 2 : 0.5
    return framePoint(object, { x: 0.5 + reach * cos, y: 0.5 + reach * sin })
  })
}

export function polygonPath(object: Polygon, values: NamedValues): Path {
  if (!object.side) return finished([polyline(polygonNodes(object), true)], () => cornerOf(object, values))
  const run = polygonRun(object)
  return finished([contourOf(run)], (_, i) => cornerOf(object, values, run.nodes[i]?.corner, run.nodes[i]?.cornerStyle))
}

/** The outline of an arrow: shaft and head, from the tail's upper corner clockwise. */
export function arrowPath(object: Arrow, values: NamedValues): Path {
  const { head, shaft, back } = object
  const neck = 1 - head,
    top = (1 - shaft) / 2,
    low = (1 + shaft) / 2
  const shares: [number, number][] = [
    [0, top],
    [neck, top],
    [neck, 0],
    [1, 0.5],
    [neck, 1],
    [neck, low],
    [0, low],
  ]
  const places = shares.map(([x, y]) => framePoint(object, { x: back ? 1 - x : x, y }))
  return finished([polyline(places, true)], () => cornerOf(object, values))
}

/**
 * A spiral as quarter circles in the frame's own axes, so as ellipses where it is not square: each centre lies on the
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
    const { u, v } = scaled(object, radius)
    segments.push({ kind: 'arc', ...ellipseAxes(u.x, u.y, v.x, v.y), large: false, sweep: flip === true, from, to })
    const next = radius - by
    centre = { x: centre.x + (radius - next) * b.cos, y: centre.y + (radius - next) * b.sin }
    radius = next
  }
  return [{ segments: segments.filter(({ rx, ry }) => rx > 0 && ry > 0), closed: false }]
}

/** The contours of a path object with their corners finished. */
export function pathOutline(object: PathObject, values: NamedValues): Path {
  return object.contours.flatMap((run) =>
    finished([contourOf(run)], (_, i) => cornerOf(object, values, run.nodes[i]?.corner, run.nodes[i]?.cornerStyle)),
  )
}

function cornerOf(object: Cornered, values: NamedValues, own?: Radius, style?: CornerStyle): Corner {
  return { radius: radiusOf(own ?? object.corner, values), style: style ?? object.cornerStyle ?? 'round' }
}

/** Contours with their corners finished; segments of no length are left out, and contours without any. */
function finished(path: Path, corner: (contour: number, node: number) => Corner): Path {
  return path.flatMap(({ segments, closed }, c): Contour[] => {
    const kept = segments.flatMap((s, i) =>
      s.kind === 'line' && distance(s.from, s.to) <= SAME_POINT ? [] : [{ s, i }],
    )
    if (kept.length === 0) return []
    return [roundContour({ segments: kept.map(({ s }) => s), closed }, (node) => corner(c, kept[node]!.i)).contour]
  })
}

/** The outline of an ellipse, of a part of it, or of a ring. */
export function ellipsePath(object: Ellipse): Path {
  if (object.w === 0 || object.h === 0) {
    const flat = polyline([framePoint(object, { x: 0, y: 0 }), framePoint(object, { x: 1, y: 1 })], false)
    return flat.segments.length > 0 ? [flat] : []
  }
  const { from, to, hole = 0 } = object
  if (from === undefined || to === undefined || from === to)
    return hole > 0 ? [whole(object, 1), turned(whole(object, hole))] : [whole(object, 1)]
  const outer = arcs(object, 1, from, to)
  if (object.cut === 'open') return [{ segments: outer, closed: false }]
  const start = outer[0]!.from,
    end = outer[outer.length - 1]!.to
  if (hole > 0) {
    const inner = arcs(object, hole, from, to).toReversed().map(reverse)
    return [
      {
        segments: [...outer, line(end, inner[0]!.from), ...inner, line(inner[inner.length - 1]!.to, start)],
        closed: true,
      },
    ]
  }
  if (object.cut === 'chord') return [{ segments: [...outer, line(end, start)], closed: true }]
  const centre = framePoint(object, { x: 0.5, y: 0.5 })
  return [{ segments: [...outer, line(end, centre), line(centre, start)], closed: true }]
}

const turned = ({ segments, closed }: Contour): Contour => ({ segments: segments.toReversed().map(reverse), closed })

function whole(frame: Frame, share: number): Contour {
  const centre = framePoint(frame, { x: 0.5, y: 0.5 })
  if (!frame.turn && !frame.skew) return ellipse(centre, (frame.w / 2) * share, (frame.h / 2) * share)
  const { u, v } = scaled(frame, share)
  const half = { kind: 'arc', ...ellipseAxes(u.x, u.y, v.x, v.y), large: false, sweep: true } as const
  const from = subtract(centre, u),
    to = add(centre, u)
  return {
    segments: [
      { ...half, from, to },
      { ...half, from: to, to: from },
    ],
    closed: true,
  }
}

function scaled(frame: Frame, share: number): { u: Point; v: Point } {
  const { u, v } = frameAxes(frame)
  return { u: { x: u.x * share, y: u.y * share }, v: { x: v.x * share, y: v.y * share } }
}

/** The place of an ellipse at an angle in degrees, anticlockwise from its right. */
export function ellipsePlace(frame: Frame, degrees: number, share = 1): Point {
  const { cos, sin } = cosSin(-degrees)
  return framePoint(frame, { x: 0.5 + 0.5 * share * cos, y: 0.5 + 0.5 * share * sin })
}

/**
 * The arc from one angle to another, anticlockwise on screen: as two where it is longer than half a turn, so that its
 * centre is sure.
 */
function arcs(frame: Frame, share: number, from: number, to: number): Arc[] {
  const { u, v } = scaled(frame, share)
  const axes = ellipseAxes(u.x, u.y, v.x, v.y)
  const extent = (((to - from) % 360) + 360) % 360 || 360
  const stops = extent > 180 ? [from, from + extent / 2, from + extent] : [from, from + extent]
  return stops.slice(1).map((end, i) => ({
    kind: 'arc',
    ...axes,
    large: false,
    sweep: false,
    from: ellipsePlace(frame, stops[i]!, share),
    to: ellipsePlace(frame, end, share),
  }))
}
