import type {
  ResolvedColour,
  ResolvedGradient,
  ResolvedPaint,
  ResolvedShadow,
  ResolvedStroke,
} from '../drawing/model/resolved'
import { arcCentre } from '../geometry/arc'
import type { Path } from '../geometry/path'
import type { Point } from '../geometry/point'
import { type Attributes, attributes, type Element, markupOf, tag } from '../formats/markup'
import { shortNumber } from '../formats/number'
import { PRECISION } from '../formats/path-data'
import { SAME_POINT } from '../geometry/tolerance'
import { type Ground, stated } from './picture'

export const number = (value: number): string => shortNumber(value, PRECISION)

/** An element of a document's `defs`, and its id. */
export type Definition = { readonly id: string; readonly element: Element }

/** Attributes that repeat SVG's initial values are left out, except `fill`, whose absence means black. */
export function paintAttributes(
  { fill, stroke }: { readonly fill: ResolvedPaint | null; readonly stroke: ResolvedStroke | null },
  ground: Ground,
): Attributes {
  const map: Attributes = { fill: 'none' }
  if (fill) paint(map, 'fill', fill, ground)
  if (!stroke) return map
  paint(map, 'stroke', stroke.paint, ground)
  map['stroke-width'] = number(stroke.width)
  map['stroke-linecap'] = stroke.cap
  map['stroke-linejoin'] = stroke.join
  if (stroke.join === 'miter' && stroke.miterLimit !== 4) map['stroke-miterlimit'] = number(stroke.miterLimit)
  if (stroke.dash) map['stroke-dasharray'] = stroke.dash.map(number).join(' ')
  if (stroke.dash && stroke.dashOffset) map['stroke-dashoffset'] = number(stroke.dashOffset)
  for (const [key, initial] of [
    ['stroke-width', '1'],
    ['stroke-linecap', 'butt'],
    ['stroke-linejoin', 'miter'],
  ] as const) {
    if (map[key] === initial) delete map[key]
  }
  return map
}

function paint(map: Attributes, key: 'fill' | 'stroke', one: ResolvedPaint, ground: Ground): void {
  if ('kind' in one) {
    map[key] = `url(#${gradientDefinition(one, ground).id})`
    if (one.opacity < 1) map[`${key}-opacity`] = number(one.opacity)
    return
  }
  const { color, opacity } = written(one, ground)
  map[key] = color
  if (opacity < 1) map[`${key}-opacity`] = number(opacity)
}

/** A colour for a ground, and how opaque it is with what its eight digits say. */
function written({ light, dark, ink, opacity }: ResolvedColour, ground: Ground): { color: string; opacity: number } {
  const own = ground === 'dark' ? dark : light
  if (ink && ground === 'current') return { color: 'currentColor', opacity }
  return {
    color: shortColour(own.slice(0, 7)),
    opacity: own.length === 9 ? (opacity * Number.parseInt(own.slice(7), 16)) / 255 : opacity,
  }
}

/** `#aabbcc` as `#abc`. */
const shortColour = (color: string): string => color.replace(/^#(.)\1(.)\2(.)\3$/, '#$1$2$3')

/** The element of a gradient (SVG 2 §14.2). Its id is derived from its content. */
export function gradientDefinition(gradient: ResolvedGradient, ground: Ground): Definition {
  const stops = gradient.stops.map(({ at, color: one }) => {
    const { color, opacity } = written(one, ground)
    return tag('stop', {
      ...(at > 0 && { offset: number(at) }),
      'stop-color': color,
      ...(opacity < 1 && { 'stop-opacity': number(opacity) }),
    })
  })
  return definition(gradient.kind === 'linear' ? 'linearGradient' : 'radialGradient', geometryOf(gradient), stops)
}

/**
 * The filter of a soft shadow in a square of a size, as single primitives (Filter Effects 1 §9.12), because not every
 * program supports feDropShadow. The blur is twice the deviation.
 */
export function shadowDefinition({ x, y, blur, color }: ResolvedShadow, ground: Ground, size: number): Definition {
  const flood = written(color, ground)
  const steps = [
    tag('feGaussianBlur', { in: 'SourceAlpha', stdDeviation: number(blur / 2) }),
    tag('feOffset', { dx: number(x), dy: number(y), result: 'cast' }),
    tag('feFlood', {
      'flood-color': flood.color,
      ...(flood.opacity < 1 && { 'flood-opacity': number(flood.opacity) }),
    }),
    tag('feComposite', { in2: 'cast', operator: 'in' }),
    tag('feMerge', {}, [tag('feMergeNode', {}), tag('feMergeNode', { in: 'SourceGraphic' })]),
  ]
  // A rasteriser takes a layer for all of it, and one in wide use does not survive one far larger than its picture.
  const area = { x: '0', y: '0', width: number(size), height: number(size) }
  return definition('filter', { filterUnits: 'userSpaceOnUse', ...area, 'color-interpolation-filters': 'sRGB' }, steps)
}

function geometryOf(gradient: ResolvedGradient): Attributes {
  const units = { gradientUnits: 'userSpaceOnUse' }
  if (gradient.kind === 'linear') {
    const { x1, y1, x2, y2 } = linearEnds(gradient)
    return { x1: number(x1), y1: number(y1), x2: number(x2), y2: number(y2), ...units }
  }
  const { map, focus } = gradient,
    off = isOff(focus)
  const circle = radialCircle(gradient)
  if (circle) {
    const { cx, cy, r, fx, fy } = circle
    return { cx: number(cx), cy: number(cy), r: number(r), ...(off && { fx: number(fx), fy: number(fy) }), ...units }
  }
  return {
    cx: '0',
    cy: '0',
    r: '1',
    ...(off && { fx: number(focus.x), fy: number(focus.y) }),
    gradientTransform: `matrix(${map.map(number).join(' ')})`,
    ...units,
  }
}

/** The ends of a linear gradient as files state them. */
export const linearEnds = ({ from, to }: Extract<ResolvedGradient, { kind: 'linear' }>) => ({
  x1: stated(from.x),
  y1: stated(from.y),
  x2: stated(to.x),
  y2: stated(to.y),
})

const isOff = (focus: Point): boolean => Math.hypot(focus.x, focus.y) > SAME_POINT

/** The circle and focus of a radial gradient as files state them; null where its map makes an ellipse of the circle. */
export function radialCircle({ map, focus }: Extract<ResolvedGradient, { kind: 'radial' }>) {
  const [a, b, c, d, e, f] = map
  if (Math.abs(a - d) >= SAME_POINT || Math.abs(b + c) >= SAME_POINT) return null
  const circle = { cx: stated(e), cy: stated(f), r: stated(Math.hypot(a, b)) }
  return isOff(focus)
    ? { ...circle, fx: stated(e + a * focus.x + c * focus.y), fy: stated(f + b * focus.x + d * focus.y) }
    : { ...circle, fx: circle.cx, fy: circle.cy }
}

/** An upright ellipse. */
export type Round = { readonly centre: Point; readonly rx: number; readonly ry: number }

/** The circle or upright ellipse that a path is, if it is one. */
export function roundOf(path: Path): Round | null {
  const [first, second, ...more] = path.length === 1 ? path[0]!.segments : []
  if (more.length > 0 || first?.kind !== 'arc' || second?.kind !== 'arc') return null
  const a = arcCentre(first),
    b = arcCentre(second)
  const same = (p: number, q: number) => Math.abs(p - q) < SAME_POINT
  if (
    !same(a.centre.x, b.centre.x) ||
    !same(a.centre.y, b.centre.y) ||
    !same(a.rx, b.rx) ||
    !same(a.ry, b.ry) ||
    first.sweep !== second.sweep
  )
    return null
  return stated(a.rx) === stated(a.ry) || first.turn === 0 ? a : null
}

/** An element of `defs`; its id is derived from its content. */
export function definition(name: string, own: Attributes, inside: readonly Element[]): Definition {
  const id = hash(`${name}${attributes(own)}>${markupOf(inside)}</${name}>`)
  return { id, element: tag(name, { id, ...own }, inside) }
}

const LETTERS = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789'

/** The FNV-1a hash of a text (32 bits) as a letter and five letters or digits. */
function hash(text: string): string {
  let value = 0x811c9dc5
  for (let i = 0; i < text.length; i++) value = Math.imul(value ^ text.charCodeAt(i), 0x01000193)
  value >>>= 0
  let name = LETTERS[value % 52]!
  for (value = Math.floor(value / 52); name.length < 6; value = Math.floor(value / 62)) name += LETTERS[value % 62]!
  return name
}
