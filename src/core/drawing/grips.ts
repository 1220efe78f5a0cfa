import { cross, distance, dot, type Point, subtract, unit } from '../geometry/point'
import { tidy } from '../geometry/tidy'
import { type Frame, frameCorners, framePoint, toFrameAxes } from './frame'
import type { DrawingObject, Ellipse, Polygon, Rectangle, Spiral } from './object'
import { ellipsePlace, polygonNodes, spiralPath } from './shapes'
import type { Radius } from './style'
import { type NamedValues, radiusOf } from './values'

/** A place on the square by which one number of a shape is dragged. */
export type Grip = { readonly id: string; readonly at: Point; readonly what: string }

/** What a pull of a grip comes to: the object, and the number in words. */
export type Pulled = { readonly object: DrawingObject; readonly figure: string }

/** How a grip is pulled: the distance the number is drawn to (null: none), and for one corner alone. */
export type GripPull = { readonly step: number | null; readonly alone: boolean }

/** The grips of an object. `least` (grid units) keeps those of sharp corners off the corners themselves. */
export function gripsOf(object: DrawingObject, values: NamedValues, least: number): Grip[] {
  switch (object.kind) {
    case 'rectangle':
      return frameCorners(object).map((_, i) => ({
        id: `corner ${i}`,
        at: cornerGrip(frameCorners(object), i, radiusOf(object.corners?.[i] ?? object.corner, values), least),
        what: 'corner',
      }))
    case 'polygon': {
      const nodes = polygonNodes(object)
      const grips: Grip[] = [
        { id: 'corner', at: cornerGrip(nodes, 0, radiusOf(object.corner, values), least), what: 'corner' },
      ]
      return [...grips, { id: 'depth', at: depthGrip(object), what: 'depth' }]
    }
    case 'ellipse': {
      const hole: Grip[] = object.hole ? [{ id: 'hole', at: ellipsePlace(object, 225, object.hole), what: 'hole' }] : []
      if (object.from === undefined || object.to === undefined) return hole
      return [
        { id: 'from', at: ellipsePlace(object, object.from), what: 'start' },
        { id: 'to', at: ellipsePlace(object, object.to), what: 'end' },
        ...hole,
      ]
    }
    case 'arrow': {
      const { head, shaft, back } = object
      return [
        {
          id: 'neck',
          at: framePoint(object, { x: back ? head : 1 - head, y: (1 - shaft) / 2 }),
          what: 'head and shaft',
        },
      ]
    }
    case 'mirror':
      return [{ id: 'at', at: object.at, what: 'centre' }]
    case 'spiral':
      return [{ id: 'inner', at: spiralEnd(object), what: 'first radius' }]
    default:
      return []
  }
}

/** The directions of the two sides at a corner, and by how much a radius shortens its bisector. */
function cornerAt(corners: readonly Point[], i: number): { at: Point; into: Point; share: number } {
  const n = corners.length,
    at = corners[i]!
  const a = unit(subtract(corners[(i + n - 1) % n]!, at)),
    b = unit(subtract(corners[(i + 1) % n]!, at))
  const half = Math.atan2(Math.abs(cross(a, b)), dot(a, b)) / 2
  // The centre of a rounding lies at r / sin(half) along the bisector.
  return { at, into: unit({ x: a.x + b.x, y: a.y + b.y }), share: 1 / Math.sin(half) }
}

function cornerGrip(corners: readonly Point[], i: number, radius: number, least: number): Point {
  const { at, into, share } = cornerAt(corners, i)
  const far = Math.max(radius * share, least)
  return { x: at.x + into.x * far, y: at.y + into.y * far }
}

const depthGrip = (object: Polygon): Point => {
  const angle = 90 - 180 / object.sides
  return ellipsePlace(object, angle, object.depth ? 1 - object.depth : Math.cos(Math.PI / object.sides))
}

/** Where a spiral begins, in its middle. */
function spiralEnd(object: Spiral): Point {
  return spiralPath(object)[0]!.segments.at(-1)!.to
}

/** The object with one of its grips pulled to a point. */
export function pullGrip(object: DrawingObject, id: string, to: Point, values: NamedValues, pull: GripPull): Pulled {
  if (object.kind === 'ellipse') return pullEllipse(object, id, to, pull)
  if (object.kind === 'rectangle') {
    const i = Number(id.split(' ')[1]),
      radius = pulledRadius(frameCorners(object), i, to, values, pull)
    const limit = Math.min(object.w, object.h) / 2
    const corner = typeof radius === 'number' ? Math.min(radius, limit) : radius
    const figure = `radius ${typeof corner === 'string' ? `${corner} ${radiusOf(corner, values)}` : corner}`
    return { object: pull.alone ? oneCorner(object, i, corner) : everyCorner(object, corner), figure }
  }
  if (object.kind === 'mirror') {
    const on = (value: number) => (pull.step === null ? tidy(value) : Math.round(value / pull.step) * pull.step)
    const at = { x: on(to.x), y: on(to.y) }
    return { object: { ...object, at }, figure: `about ${at.x}, ${at.y}` }
  }
  if (object.kind === 'arrow') {
    const p = shareOf(object, to),
      along = (object.back ? -p.x : p.x) / 2 + 0.5
    const head = hundredths(1 - along),
      shaft = hundredths(Math.abs(p.y))
    return {
      object: { ...object, head, shaft },
      figure: `${Math.round(head * 100)} % head, ${Math.round(shaft * 100)} % shaft`,
    }
  }
  if (object.kind === 'spiral') {
    // The end lies where the last quarter circle does: the first radius is found by halving, as the end moves out with
    // it.
    const reach = (inner: number) => distance(spiralEnd({ ...object, inner }), framePoint(object, { x: 0.5, y: 0.5 }))
    const far = distance(to, framePoint(object, { x: 0.5, y: 0.5 }))
    let lo = 0,
      hi = 0.99
    for (let i = 0; i < 30; i++) {
      const middle = (lo + hi) / 2
      if (reach(middle) < far) lo = middle
      else hi = middle
    }
    const inner = Math.min(0.99, Math.round(lo * 100) / 100)
    return { object: { ...object, inner }, figure: `${Math.round(inner * 100)} % inner` }
  }
  if (object.kind === 'polygon' && id === 'corner') {
    const corner = pulledRadius(polygonNodes(object), 0, to, values, pull)
    return {
      object: { ...object, corner },
      figure: `radius ${typeof corner === 'string' ? `${corner} ${radiusOf(corner, values)}` : corner}`,
    }
  }
  if (object.kind === 'polygon') {
    // How far the point is from the centre along the middle of the first side, as a share of the way to the corners.
    const p = shareOf(object, to),
      angle = (90 - 180 / object.sides) * (Math.PI / 180)
    const along = p.x * Math.cos(angle) - p.y * Math.sin(angle),
      flat = Math.cos(Math.PI / object.sides)
    const depth = along >= flat - 0.02 ? 0 : Math.max(0.01, Math.min(0.99, Math.round((1 - along) * 100) / 100))
    const { depth: _, ...rest } = object
    return { object: depth > 0 ? { ...rest, depth } : rest, figure: `${Math.round(depth * 100)} % deep` }
  }
  return { object, figure: '' }
}

const hundredths = (share: number): number => Math.max(0.01, Math.min(1, Math.round(share * 100) / 100))

/**
 * The radius whose centre comes to a point pulled from a corner between its neighbours: one of the rules where it comes
 * near, else by the step.
 */
export function pulledRadius(
  corners: readonly Point[],
  i: number,
  to: Point,
  values: NamedValues,
  { step }: Pick<GripPull, 'step'>,
): Radius {
  const { at, into, share } = cornerAt(corners, i)
  const raw = Math.max(0, dot(subtract(to, at), into) / share)
  const named = values.radii.find(({ value }) => Math.abs(value - raw) <= (step ?? 0) / 2)
  if (named) return named.name
  return step === null ? tidy(raw) : Math.round(raw / step) * step
}

function everyCorner({ corners: _, ...rest }: Rectangle, corner: Radius): Rectangle {
  return { ...rest, corner }
}

const oneCorner = (object: Rectangle, i: number, corner: Radius): Rectangle => ({
  ...object,
  corners: Array.from({ length: 4 }, (_, k) => (k === i ? corner : (object.corners?.[k] ?? object.corner))),
})

/** A point in the axes in which a frame's ellipse is the unit circle. */
function shareOf(frame: Frame, p: Point): Point {
  const { x, y } = toFrameAxes(frame, subtract(p, framePoint(frame, { x: 0.5, y: 0.5 })))
  return { x: (2 * x) / frame.w, y: (2 * y) / frame.h }
}

function pullEllipse(object: Ellipse, id: string, to: Point, { step, alone }: GripPull): Pulled {
  const p = shareOf(object, to)
  if (id === 'hole') {
    const hole = Math.max(0.01, Math.min(0.99, Math.round(distance({ x: 0, y: 0 }, p) * 100) / 100))
    return { object: { ...object, hole }, figure: `${Math.round(hole * 100)} % hole` }
  }
  // Of all the angles that point there, the one nearest to what it was.
  const seen = (Math.atan2(-p.y, p.x) * 180) / Math.PI,
    was = (id === 'from' ? object.from : object.to) ?? 0
  const near = seen + 360 * Math.round((was - seen) / 360),
    raw = near > 360 ? near - 360 : near < -360 ? near + 360 : near,
    by = alone ? 15 : step === null ? 0.1 : 1
  const angle = tidy(Math.round(raw / by) * by) + 0
  return { object: { ...object, [id]: angle }, figure: `${Math.round(angle * 10) / 10}°` }
}
