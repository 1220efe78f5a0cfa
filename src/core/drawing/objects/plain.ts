import type { Path } from '../../geometry/path'
import { apply } from '../../geometry/transform'
import { tidy } from '../../geometry/tidy'
import { nodesOf } from '../model/nodes'
import type { DrawingObject, OfKind } from './object'
import type { Gradient, Paint, Shadow, Stop } from '../model/paint'
import type { ResolvedColour, ResolvedGradient, ResolvedPaint, ResolvedShadow } from '../model/resolved'
import type { Run, Shape } from '../scene/shape'
import { runsOf } from '../scene/shape'
import type { Style } from '../model/style'

/** How the objects that come of shapes are called. */
export type Naming = { readonly id: () => string; readonly name: string }

/**
 * Shapes as plain paths of the same look and the same named values; shapes under one effect become a group with its
 * mask in front.
 */
export const plainPaths = (shapes: readonly Shape[], naming: Naming): DrawingObject[] =>
  runsOf(shapes).flatMap((run) => plainRun(run, naming))

function plainRun(run: Run, naming: Naming): DrawingObject[] {
  const { id, name } = naming
  if (!('runs' in run)) {
    if (run.path.length === 0) return []
    return [{ kind: 'path', id: id(), name, corner: 0, contours: contoursOf(run.path), style: plainStyle(run) }]
  }
  const { effect, runs } = run
  const seen = runs.flatMap((one) => plainRun(one, naming)),
    mask = effect.mask && plainPaths(effect.mask, { ...naming, name: `${name} mask` })
  const opacity = {
    ...(effect.opacity < 1 && { opacity: tidy(effect.opacity) }),
    ...(effect.shadow && { shadow: plainShadow(effect.shadow) }),
  }
  if (!mask) return seen.length > 0 ? [{ kind: 'group', id: id(), name, ...opacity, members: seen }] : []
  if (seen.length === 0 || mask.length === 0) return []
  const front: DrawingObject =
    mask.length === 1 ? mask[0]! : { kind: 'group', id: id(), name: `${name} mask`, members: mask }
  return [{ kind: 'group', id: id(), name, mask: 'fade', ...opacity, members: [...seen, front] }]
}

function plainShadow({ x, y, blur, color }: ResolvedShadow): Shadow {
  return { x, y, blur, color: color.name, ...(color.opacity < 1 && { opacity: color.opacity }) }
}

export const contoursOf = (path: Path): OfKind<'path'>['contours'] => path.map((contour) => nodesOf(contour))

/** The style that a shape is painted with, by the names that were looked up for it. */
function plainStyle({ fill, stroke }: Shape): Style {
  return {
    fill: plainPaint(fill),
    ...(fill && fill.opacity < 1 && { fillOpacity: tidy(fill.opacity) }),
    stroke: stroke ? plainPaint(stroke.paint) : 'none',
    ...(stroke && stroke.paint.opacity < 1 && { strokeOpacity: tidy(stroke.paint.opacity) }),
    weight: stroke?.weight ?? 1,
    ...(stroke && {
      cap: stroke.cap,
      join: stroke.join,
      miterLimit: stroke.miterLimit,
      ...(stroke.dash && { dash: [...stroke.dash], dashOffset: stroke.dashOffset ?? 0 }),
    }),
  }
}

function plainPaint(paint: ResolvedPaint | null): Paint {
  if (!paint) return 'none'
  return 'kind' in paint ? plainGradient(paint) : paint.name
}

function plainGradient(gradient: ResolvedGradient): Gradient {
  const stops = gradient.name ?? gradient.stops.map(({ at, color }): Stop => ({ at, ...plainStop(color) }))
  if (gradient.kind === 'linear') return { kind: 'linear', from: gradient.from, to: gradient.to, stops }
  const place = (x: number, y: number) => {
    const p = apply(gradient.map, { x, y })
    return { x: tidy(p.x), y: tidy(p.y) }
  }
  const { x, y } = gradient.focus
  return {
    kind: 'radial',
    centre: place(0, 0),
    to: place(1, 0),
    across: place(0, 1),
    ...((x !== 0 || y !== 0) && { focus: place(x, y) }),
    stops,
  }
}

const plainStop = ({ name, opacity }: ResolvedColour): Pick<Stop, 'color' | 'opacity'> => ({
  color: name,
  ...(opacity < 1 && { opacity }),
})
