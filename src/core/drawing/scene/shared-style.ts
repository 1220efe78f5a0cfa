import type { Box } from '../../geometry/box'
import { boxToBox } from '../../geometry/transform'
import { transformPaint } from '../model/gradient'
import type { WithStyle } from '../model/traits'
import type { Scene } from './scene'
import { isGradient } from '../model/paint'
import { type Finish, isShared, paintsOf, type Style, withPaints } from '../model/style'
import { finishOf, type NamedValues } from '../model/values'

/** The box over which the gradients of a shared finish are said. */
const UNIT: Box = { x: 0, y: 0, w: 1, h: 1 }

/** A flat box is extended to a square, so that gradients have room; without a box, one unit. */
function roomy(box: Box | null): Box {
  if (!box) return UNIT
  const { x, y, w, h } = box
  const least = Math.max(w, h) || 1
  return { x: w > 0 ? x : x - least / 2, y: h > 0 ? y : y - least / 2, w: w || least, h: h || least }
}

const laid = (style: Style, from: Box, to: Box): Style =>
  withPaints(style, (paint) => transformPaint(paint, boxToBox(from, to)))

/** The style of a finish on an object. `box` is called only for gradients. Throws if the rules lack the name. */
export function laidStyle(finish: Finish, values: NamedValues, box: () => Box | null): Style {
  if (!isShared(finish)) return finish
  const style = finishOf(finish.finish, values)
  return hasGradient(style) ? laid(style, UNIT, roomy(box())) : style
}

/** A style of something with such a box, as the rules keep it for others to share. */
export const shareable = (style: Style, box: Box | null): Style =>
  hasGradient(style) ? laid(style, roomy(box), UNIT) : style

/** How an object is painted as it stands. Throws when the rules lack a name. */
export const styleOf = (object: WithStyle, scene: Scene): Style => scene.style(object.style, () => scene.box(object))

const hasGradient = (style: Style): boolean => paintsOf(style).some(isGradient)
