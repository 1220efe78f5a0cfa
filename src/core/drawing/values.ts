import type { Cap, Join, Paint, Radius, Style, Weight } from './style'

/** A palette entry: its colour on light ground, and on dark ground where that differs. */
export type Swatch = { readonly name: string; readonly color: string; readonly dark?: string | undefined }

export type NamedNumber = { readonly name: string; readonly value: number }

/** What a drawing refers to by name; the rules of a set provide it. */
export type NamedValues = {
  readonly weights: readonly NamedNumber[]
  readonly radii: readonly NamedNumber[]
  readonly palette: readonly Swatch[]
  readonly cap: Cap
  readonly join: Join
  readonly miterLimit: number
}

/** The swatch that stands for the icon's own colour; it is delivered as `currentColor`. */
export const INK = 'ink'

/** A paint with its names looked up. `ink` is true when it is the icon's own colour. */
export type ResolvedPaint = { readonly light: string; readonly dark: string; readonly ink: boolean }

/** A stroke with its names looked up; lengths in grid units. */
export type ResolvedStroke = {
  readonly paint: ResolvedPaint
  readonly width: number
  readonly cap: Cap
  readonly join: Join
  readonly miterLimit: number
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

/** A paint's colours, null for none. Throws when the rules lack the swatch. */
export function paintOf(paint: Paint, values: NamedValues): ResolvedPaint | null {
  if (paint === 'none') return null
  if (paint.startsWith('#')) return { light: paint, dark: paint, ink: false }
  const swatch = values.palette.find(({ name }) => name === paint)
  if (!swatch) throw new Error(`The rules have no swatch named “${paint}”.`)
  return { light: swatch.color, dark: swatch.dark ?? swatch.color, ink: swatch.name === INK }
}

/** The stroke a style asks for, null for none. */
export function strokeOf(style: Style, values: NamedValues): ResolvedStroke | null {
  const paint = paintOf(style.stroke, values)
  if (!paint) return null
  return {
    paint,
    width: weightOf(style.weight, values),
    cap: style.cap ?? values.cap,
    join: style.join ?? values.join,
    miterLimit: values.miterLimit,
  }
}
