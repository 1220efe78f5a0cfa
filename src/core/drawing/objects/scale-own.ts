import { tidy } from '../../geometry/tidy'
import { type DrawingObject, isContainer } from './object'
import type { Style } from '../model/style'
import { visited } from './visit'

/** An object with the weights and corners that are numbers of its own scaled; those from the rules stay. */
export function scaleOwn<T extends DrawingObject>(object: T, by: number): T
export function scaleOwn(object: DrawingObject, by: number): DrawingObject {
  const own = visited(object, {
    style: (style) => scaledStyle(style, by),
    weight: (weight) => (typeof weight === 'number' ? tidy(weight * by) : weight),
    radius: (radius) => (typeof radius === 'number' ? tidy(radius * by) : radius),
  })
  return isContainer(own) ? { ...own, members: own.members.map((member) => scaleOwn(member, by)) } : own
}

/** A style with a weight of its own, and the dashes along with it, scaled. */
function scaledStyle(style: Style, by: number): Style {
  if (typeof style.weight === 'string') return style
  return {
    ...style,
    weight: tidy(style.weight * by),
    ...(style.dash && { dash: style.dash.map((length) => tidy(length * by)) }),
    ...(style.dashOffset !== undefined && { dashOffset: tidy(style.dashOffset * by) }),
  }
}
