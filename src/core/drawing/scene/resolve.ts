import { cross, subtract } from '../../geometry/point'
import { acrossOf } from '../model/gradient'
import { type Gradient, isGradient, type Paint } from '../model/paint'
import { type ResolvedGradient, type ResolvedPaint, type ResolvedStroke, withOpacity } from '../model/resolved'
import type { Scene } from './scene'
import type { Style } from '../model/style'

/** A paint with its names looked up, null for none. Throws when the rules lack a name. */
export function paintOf(paint: Paint, scene: Scene): ResolvedPaint | null {
  if (paint === 'none') return null
  return isGradient(paint) ? gradientOf(paint, scene) : scene.colour(paint)
}

function gradientOf(gradient: Gradient, scene: Scene): ResolvedGradient {
  const stops = scene.stops(gradient).map(({ at, color, opacity }) => ({
    at,
    color: scene.colour(color, opacity),
  }))
  const named = typeof gradient.stops === 'string' && { name: gradient.stops }
  if (gradient.kind === 'linear')
    return { kind: 'linear', from: gradient.from, to: gradient.to, stops, opacity: 1, ...named }
  const { centre, to, focus } = gradient
  const u = subtract(to, centre),
    v = subtract(acrossOf(gradient), centre)
  const q = focus ? subtract(focus, centre) : { x: 0, y: 0 },
    det = cross(u, v) || 1
  return {
    kind: 'radial',
    map: [u.x, u.y, v.x, v.y, centre.x, centre.y],
    focus: { x: cross(q, v) / det, y: cross(u, q) / det },
    stops,
    opacity: 1,
    ...named,
  }
}

/** The stroke a style asks for, null for none. */
export function strokeOf(style: Style, scene: Scene): ResolvedStroke | null {
  const paint = paintOf(style.stroke, scene)
  if (!paint || style.strokeOpacity === 0) return null
  return {
    paint: withOpacity(paint, style.strokeOpacity ?? 1),
    width: scene.weight(style.weight),
    weight: style.weight,
    cap: style.cap ?? scene.cap,
    join: style.join ?? scene.join,
    miterLimit: style.miterLimit ?? scene.miterLimit,
    ...(style.dash && { dash: style.dash, dashOffset: style.dashOffset ?? 0 }),
  }
}
