import type { Point } from '../../geometry/point'
import { tidy } from '../../geometry/tidy'
import { type Transform, translation } from '../../geometry/transform'
import { isMirroring, transformFrame } from '../model/frame'
import { transformPaint } from '../model/gradient'
import { type DrawingObject, type Framed, isContainer, isFramed, isStyled, kindOf } from './object'
import { isShared, type Style, withPaints } from '../model/style'

/** An object under an affine map: its numbers change and its gradients go along, weights and radii stay. */
export function transformObject<T extends DrawingObject>(object: T, map: Transform): T
export function transformObject(object: DrawingObject, map: Transform): DrawingObject {
  return withMovedPaints(transformGeometry(object, map), map)
}

/** An object with its gradients where a map takes them. */
export function withMovedPaints(object: DrawingObject, map: Transform): DrawingObject {
  const { withStyles } = kindOf(object).references
  const moved = (style: Style) => withPaints(style, (paint) => transformPaint(paint, map))
  if (withStyles) return withStyles(object, moved)
  if (!isStyled(object) || isShared(object.style)) return object
  const style = moved(object.style)
  return style === object.style ? object : { ...object, style }
}

function transformGeometry(object: DrawingObject, map: Transform): DrawingObject {
  const { transform, turnedOver } = kindOf(object).geometry
  if (isFramed(object)) {
    const turned = (isMirroring(map) && turnedOver ? turnedOver(object) : object) as Framed
    return settled({ ...turned, ...transformFrame(turned, map) })
  }
  const own = transform ? transform(object, map) : object
  return isContainer(own) ? { ...own, members: own.members.map((member) => transformObject(member, map)) } : own
}

export const moveObject = <T extends DrawingObject>(object: T, by: Point): T =>
  transformObject(object, translation(by.x, by.y))

/**
 * Numbers without noise, and optional ones that came out as undefined left out, so that equal drawings are written
 * alike.
 */
export function settled<T extends Framed>(object: T): T {
  const copy = { ...object, x: tidy(object.x), y: tidy(object.y), w: tidy(object.w), h: tidy(object.h) }
  if (copy.turn === undefined) delete copy.turn
  if (copy.skew === undefined) delete copy.skew
  return copy
}
