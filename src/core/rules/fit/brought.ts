import { type Fitting, fittedPlace } from '../../drawing/model/fitting'
import { scaleOwn } from '../../drawing/objects/scale-own'
import { transformObject, withMovedPaints } from '../../drawing/objects/transform-object'
import type { Scene } from '../../drawing/scene/scene'
import { type DrawingObject, isContainer, kindOf } from '../../drawing/objects/object'
import { mapObjects } from '../../drawing/objects/tree'
import { visited } from '../../drawing/objects/visit'
import { tidy } from '../../geometry/tidy'
import type { Rules } from '../rules'
import { anchorOf } from './anchor'
import { placedAsBrought } from './placed-as-brought'

/** Scales a drawing to the grid of another rule book. Scaling back restores it. */
export function scaled(objects: readonly DrawingObject[], from: Rules, to: Rules): DrawingObject[] {
  const scale = to.grid.size / from.grid.size
  const brought = objects.map((object) => transformObject(object, [scale, 0, 0, scale, 0, 0]))
  return placedAsBrought(inOwnNumbers(brought, scale), from, to)
}

/** Every object where a fitting takes it: point by point where its kind can be, else as a whole. */
export function broughtTo(objects: readonly DrawingObject[], scene: Scene, to: Fitting): DrawingObject[] {
  const { scale } = to
  const brought = (object: DrawingObject): DrawingObject => {
    const own = kindOf(object).fitting.fit?.(object, to)
    if (!own) {
      const { x, y } = anchorOf(object, scene),
        place = fittedPlace({ x: x.at, y: y.at }, to)
      return transformObject(object, [scale, 0, 0, scale, place.x - scale * x.at, place.y - scale * y.at])
    }
    const painted = withMovedPaints(own, [scale, 0, 0, scale, 0, 0])
    return isContainer(painted) ? { ...painted, members: painted.members.map(brought) } : painted
  }
  return inOwnNumbers(objects.map(brought), scale)
}

/** Objects with the weights, radii and dashes that are numbers of their own scaled. */
const inOwnNumbers = (objects: readonly DrawingObject[], scale: number): DrawingObject[] =>
  mapObjects(
    objects.map((object) => scaleOwn(object, scale)),
    (object) => withDash(object, scale),
  )

/** An object whose dashes scale although its weight is one of the rules. */
const withDash = (object: DrawingObject, by: number): DrawingObject =>
  visited(object, {
    style: (style) =>
      typeof style.weight !== 'string' || !style.dash
        ? style
        : {
            ...style,
            dash: style.dash.map((length) => tidy(length * by)),
            ...(style.dashOffset !== undefined && { dashOffset: tidy(style.dashOffset * by) }),
          },
  })
