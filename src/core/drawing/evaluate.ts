import { ellipseAxes } from '../geometry/arc'
import { ellipse, type Path, polyline } from '../geometry/path'
import { add, subtract } from '../geometry/point'
import { roundCorners } from '../outline/corner'
import { combine } from '../planar/boolean'
import { frameAxes, frameCorners, framePoint } from './frame'
import { type Memory, remembered } from './memory'
import type { DrawingObject, Ellipse, PathObject, Rectangle } from './object'
import type { Style } from './style'
import { type NamedValues, paintOf, radiusOf, type ResolvedPaint, type ResolvedStroke, strokeOf } from './values'

/** A resolved piece of an icon: an exact path and its paint. `id` is the object it came from. */
export type Shape = {
  readonly id: string
  readonly path: Path
  readonly fill: ResolvedPaint | null
  readonly stroke: ResolvedStroke | null
}

/** The shapes an object resolves to, in paint order; hidden objects resolve to none. Remembered for each object and rules. */
export function evaluate(object: DrawingObject, values: NamedValues): readonly Shape[] {
  return remembered(shapesOf, values, object, () => {
    if (object.hidden) return []
    if (object.kind === 'group') return object.members.flatMap((member) => evaluate(member, values))
    return shape(object.id, outline(object, values), object.style, values)
  })
}

/** The shapes of a whole drawing. */
export function evaluateAll(objects: readonly DrawingObject[], values: NamedValues): Shape[] {
  return objects.flatMap((object) => evaluate(object, values))
}

/** An object's geometry without its paint: its own outline, or what its members come to. */
export function outline(object: DrawingObject, values: NamedValues): Path {
  return remembered(outlines, values, object, () => {
    switch (object.kind) {
      case 'rectangle':
        return rectanglePath(object, values)
      case 'ellipse':
        return ellipsePath(object)
      case 'line':
        return nonEmpty([polyline([object.from, object.to], false)])
      case 'path':
        return pathOutline(object, values)
      case 'group': {
        const members = visible(object.members).map((member) => ({ path: outline(member, values), role: 'adds' as const }))
        return combine(members)
      }
      case 'assembly': {
        const members = visible(object.members).map((member) => ({ path: outline(member, values), role: member.role ?? 'adds' }))
        return combine(members)
      }
    }
  })
}

const visible = (objects: readonly DrawingObject[]) => objects.filter(({ hidden }) => !hidden)
const nonEmpty = (path: Path): Path => path.filter(({ segments }) => segments.length > 0)

function shape(id: string, path: Path, style: Style, values: NamedValues): Shape[] {
  const fill = paintOf(style.fill, values), stroke = strokeOf(style, values)
  return path.length > 0 && (fill || stroke) ? [{ id, path, fill, stroke }] : []
}

function rectanglePath(object: Rectangle, values: NamedValues): Path {
  const radius = radiusOf(object.corner, values)
  return nonEmpty([roundCorners(frameCorners(object), true, () => radius).contour])
}

function ellipsePath(object: Ellipse): Path {
  if (object.w === 0 || object.h === 0) {
    return nonEmpty([polyline([framePoint(object, { x: 0, y: 0 }), framePoint(object, { x: 1, y: 1 })], false)])
  }
  const centre = framePoint(object, { x: 0.5, y: 0.5 })
  if (!object.turn && !object.skew) return [ellipse(centre, object.w / 2, object.h / 2)]
  const { u, v } = frameAxes(object)
  const half = { kind: 'arc', ...ellipseAxes(u.x, u.y, v.x, v.y), large: false, sweep: true } as const
  const from = subtract(centre, u), to = add(centre, u)
  return [{ segments: [{ ...half, from, to }, { ...half, from: to, to: from }], closed: true }]
}

function pathOutline(object: PathObject, values: NamedValues): Path {
  return nonEmpty(
    object.contours.map(({ nodes, closed }) => {
      const radius = (i: number) => radiusOf(nodes[i]!.corner ?? object.corner, values)
      return roundCorners(nodes, closed, radius).contour
    }),
  )
}

const shapesOf: Memory<NamedValues, DrawingObject, readonly Shape[]> = new WeakMap()
const outlines: Memory<NamedValues, DrawingObject, Path> = new WeakMap()
