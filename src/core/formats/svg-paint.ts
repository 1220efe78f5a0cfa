import type {
  ResolvedColour,
  ResolvedGradient,
  ResolvedPaint,
  ResolvedShadow,
  ResolvedStroke,
} from '../drawing/evaluate/resolved'
import { type Attributes, attributes, element } from './markup'
import { shortNumber } from './number'
import { PRECISION } from './path-data'
import { SAME_POINT } from '../geometry/tolerance'

/** Which colours are written: the delivered file's (`currentColor` for ink), or those for a light or a dark ground. */
export type Ground = 'current' | 'light' | 'dark'

export const number = (value: number): string => shortNumber(value, PRECISION)

/** What a document has to define before it can be used: its id, and the element. */
export type Definition = { readonly id: string; readonly text: string }

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
    return element('stop', {
      ...(at > 0 && { offset: number(at) }),
      'stop-color': color,
      ...(opacity < 1 && { 'stop-opacity': number(opacity) }),
    })
  })
  return definition(
    gradient.kind === 'linear' ? 'linearGradient' : 'radialGradient',
    geometryOf(gradient),
    stops.join(''),
  )
}

/**
 * The filter of a soft shadow in a square of a size, as single primitives (Filter Effects 1 §9.12), because not every
 * program supports feDropShadow. The blur is twice the deviation.
 */
export function shadowDefinition({ x, y, blur, color }: ResolvedShadow, ground: Ground, size: number): Definition {
  const flood = written(color, ground)
  const text = [
    element('feGaussianBlur', { in: 'SourceAlpha', stdDeviation: number(blur / 2) }),
    element('feOffset', { dx: number(x), dy: number(y), result: 'cast' }),
    element('feFlood', {
      'flood-color': flood.color,
      ...(flood.opacity < 1 && { 'flood-opacity': number(flood.opacity) }),
    }),
    element('feComposite', { in2: 'cast', operator: 'in' }),
    element('feMerge', {}, element('feMergeNode', {}) + element('feMergeNode', { in: 'SourceGraphic' })),
  ].join('')
  // A rasteriser takes a layer for all of it, and one in wide use does not survive one far larger than its picture.
  const area = { x: '0', y: '0', width: number(size), height: number(size) }
  return definition('filter', { filterUnits: 'userSpaceOnUse', ...area, 'color-interpolation-filters': 'sRGB' }, text)
}

function geometryOf(gradient: ResolvedGradient): Attributes {
  const units = { gradientUnits: 'userSpaceOnUse' }
  if (gradient.kind === 'linear') {
    const { from, to } = gradient
    return { x1: number(from.x), y1: number(from.y), x2: number(to.x), y2: number(to.y), ...units }
  }
  const { map, focus } = gradient,
    [a, b, c, d, e, f] = map
  const circle = Math.abs(a - d) < SAME_POINT && Math.abs(b + c) < SAME_POINT
  const off = Math.hypot(focus.x, focus.y) > SAME_POINT
  if (circle) {
    const at = { x: e + a * focus.x + c * focus.y, y: f + b * focus.x + d * focus.y }
    return {
      cx: number(e),
      cy: number(f),
      r: number(Math.hypot(a, b)),
      ...(off && { fx: number(at.x), fy: number(at.y) }),
      ...units,
    }
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

/** An element of `defs`; its id is derived from its content. */
export function definition(name: string, own: Attributes, content: string): Definition {
  const body = `${attributes(own)}>${content}</${name}>`
  const id = hash(name + body)
  return { id, text: `<${name} id="${id}"${body}` }
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
