import { cross, type Point, subtract } from '../geometry/point'
import { compose, type Transform } from '../geometry/transform'
import { acrossOf, transformGradient } from './gradient'
import { type Gradient, isGradient, type Linear, type Paint, type Stop } from './paint'
import type { Cap, Join, Radius, Style, Weight } from './style'

/** A palette entry: its colour on light ground, and on dark ground where that differs. */
export type Swatch = { readonly name: string; readonly color: string; readonly dark?: string | undefined }

/** A gradient of the palette: its stops; each object lays it in its own way. */
export type NamedGradient = { readonly name: string; readonly stops: readonly Stop[] }

export type NamedNumber = { readonly name: string; readonly value: number }

/** What a drawing refers to by name; the rules of a set provide it. */
export type NamedValues = {
  readonly weights: readonly NamedNumber[]
  readonly radii: readonly NamedNumber[]
  readonly palette: readonly Swatch[]
  readonly gradients?: readonly NamedGradient[] | undefined
  readonly cap: Cap
  readonly join: Join
  readonly miterLimit: number
}

/** The swatch that stands for the icon's own colour; it is delivered as `currentColor`. */
export const INK = 'ink'

/** A colour with its name looked up, for light and dark ground. `ink` is true when it is the icon's own colour. */
export type ResolvedColour = {
  readonly light: string
  readonly dark: string
  readonly ink: boolean
  readonly opacity: number
}

/**
 * A gradient with its names looked up: along the way between two places, or out of a focus to the image of the unit
 * circle under `map`, the focus seen in the unit circle.
 */
export type ResolvedGradient = {
  readonly opacity: number
  readonly stops: readonly { readonly at: number; readonly color: ResolvedColour }[]
} & (
  | { readonly kind: 'linear'; readonly from: Point; readonly to: Point }
  | { readonly kind: 'radial'; readonly map: Transform; readonly focus: Point }
)

/** A paint with its names looked up. */
export type ResolvedPaint = ResolvedColour | ResolvedGradient

/** A stroke with its names looked up; lengths in grid units. */
export type ResolvedStroke = {
  readonly paint: ResolvedPaint
  readonly width: number
  readonly cap: Cap
  readonly join: Join
  readonly miterLimit: number
  readonly dash?: readonly number[]
  readonly dashOffset?: number
}

function named(list: readonly NamedNumber[], name: string, what: string): number {
  const entry = list.find((value) => value.name === name)
  if (!entry) throw new Error(`The rules have no ${what} named “${name}”.`)
  return entry.value
}

/** A weight in grid units. Throws when the rules lack the name. */
export const weightOf = (weight: Weight, values: NamedValues): number =>
  typeof weight === 'number' ? weight : named(values.weights, weight, 'weight')

/** A radius in grid units. Throws when the rules lack the name. */
export const radiusOf = (radius: Radius, values: NamedValues): number =>
  typeof radius === 'number' ? radius : named(values.radii, radius, 'radius')

/** A colour by its name in the palette, or its own. Throws when the rules lack the swatch. */
export function colourOf(color: string, values: NamedValues, opacity = 1): ResolvedColour {
  if (color.startsWith('#')) return { light: color, dark: color, ink: false, opacity }
  const swatch = values.palette.find(({ name }) => name === color)
  if (!swatch) throw new Error(`The rules have no swatch named “${color}”.`)
  return { light: swatch.color, dark: swatch.dark ?? swatch.color, ink: swatch.name === INK, opacity }
}

/** A paint with its names looked up, null for none. Throws when the rules lack a name. */
export function paintOf(paint: Paint, values: NamedValues): ResolvedPaint | null {
  if (paint === 'none') return null
  return isGradient(paint) ? gradientOf(paint, values) : colourOf(paint, values)
}

/** The stops of a gradient, of its own or by name. Throws when the rules lack the name. */
export function stopsOf({ stops }: Gradient, values: NamedValues): readonly Stop[] {
  if (typeof stops !== 'string') return stops
  const named = values.gradients?.find(({ name }) => name === stops)
  if (!named) throw new Error(`The rules have no gradient named “${stops}”.`)
  return named.stops
}

function gradientOf(gradient: Gradient, values: NamedValues): ResolvedGradient {
  const stops = stopsOf(gradient, values).map(({ at, color, opacity }) => ({
    at,
    color: colourOf(color, values, opacity),
  }))
  if (gradient.kind === 'linear') return { kind: 'linear', from: gradient.from, to: gradient.to, stops, opacity: 1 }
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
  }
}

/** A paint made more transparent. */
export const withOpacity = (paint: ResolvedPaint, by: number): ResolvedPaint =>
  by === 1 ? paint : { ...paint, opacity: paint.opacity * by }

/** A paint where a map takes it: colours stay, gradients go along. */
export function movedPaint(paint: ResolvedPaint, map: Transform): ResolvedPaint {
  if (!('kind' in paint)) return paint
  if (paint.kind === 'radial') return { ...paint, map: compose(map, paint.map) }
  const { from, to } = transformGradient({ kind: 'linear', from: paint.from, to: paint.to, stops: '' }, map) as Linear
  return { ...paint, from, to }
}

/** The stroke a style asks for, null for none. */
export function strokeOf(style: Style, values: NamedValues): ResolvedStroke | null {
  const paint = paintOf(style.stroke, values)
  if (!paint || style.strokeOpacity === 0) return null
  return {
    paint: withOpacity(paint, style.strokeOpacity ?? 1),
    width: weightOf(style.weight, values),
    cap: style.cap ?? values.cap,
    join: style.join ?? values.join,
    miterLimit: style.miterLimit ?? values.miterLimit,
    ...(style.dash && { dash: style.dash, dashOffset: style.dashOffset ?? 0 }),
  }
}
