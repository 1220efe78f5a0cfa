import type { Point } from '../../geometry/point'
import { WARP } from '../../geometry/tolerance'
import type { Thing } from './traits'
import type { Plate } from './plates'
import type { Gradient, Stop } from './paint'
import type { ResolvedColour } from './resolved'
import type { Cap, Join, Radius, Style, Weight } from './style'

/** A palette entry: its colour on light ground, and on dark ground where that differs. */
type Swatch = { readonly name: string; readonly color: string; readonly dark?: string | undefined }

/** A gradient of the palette: its stops; each object lays it in its own way. */
type NamedGradient = { readonly name: string; readonly stops: readonly Stop[] }

export type NamedNumber = { readonly name: string; readonly value: number }

/** A reusable part: its objects, and its anchor point for placements. */
export type NamedPart = { readonly name: string; readonly at: Point; readonly objects: readonly Thing[] }

/** A finish that several objects share. Its gradients are given for the box from (0, 0) to (1, 1). */
type NamedFinish = { readonly name: string; readonly style: Style }

/** What a drawing refers to by name; the rules of a set provide it. */
export type NamedValues = {
  readonly weights: readonly NamedNumber[]
  readonly radii: readonly NamedNumber[]
  readonly palette: readonly Swatch[]
  readonly gradients?: readonly NamedGradient[] | undefined
  readonly finishes?: readonly NamedFinish[] | undefined
  readonly plates?: readonly Plate[] | undefined
  readonly parts?: readonly NamedPart[] | undefined
  readonly cap: Cap
  readonly join: Join
  readonly miterLimit: number
  /** Greatest error of bent paths, in grid units; `WARP` except in previews. */
  readonly tolerance?: number | undefined
}

const rough = new WeakMap<NamedValues, NamedValues>()

/** The same values with a greater tolerance, for previews that follow the pointer. */
export function roughly<T extends NamedValues>(values: T): T {
  let known = rough.get(values) as T | undefined
  if (!known) rough.set(values, (known = { ...values, tolerance: PREVIEW * WARP }))
  return known
}

/** Ratio of the tolerance of previews to that of finished drawings. */
const PREVIEW = 8

/** The swatch that stands for the icon's own colour; it is delivered as `currentColor`. */
export const INK = 'ink'

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
  if (color.startsWith('#')) return { name: color, light: color, dark: color, ink: false, opacity }
  const swatch = values.palette.find(({ name }) => name === color)
  if (!swatch) throw new Error(`The rules have no swatch named “${color}”.`)
  return { name: color, light: swatch.color, dark: swatch.dark ?? swatch.color, ink: swatch.name === INK, opacity }
}

/** A shared finish by its name. Throws when the rules lack it. */
export function finishOf(name: string, values: NamedValues): Style {
  const finish = values.finishes?.find((one) => one.name === name)
  if (!finish) throw new Error(`The rules have no finish named “${name}”.`)
  return finish.style
}

/** A plate by its name. Throws when the rules lack it. */
export function plateOf(name: string, values: NamedValues): Plate {
  const plate = values.plates?.find((one) => one.name === name)
  if (!plate) throw new Error(`The rules have no plate named “${name}”.`)
  return plate
}

/** A part by its name. Throws when the rules lack it. */
export function partOf(name: string, values: NamedValues): NamedPart {
  const part = values.parts?.find((one) => one.name === name)
  if (!part) throw new Error(`The set has no part named “${name}”.`)
  return part
}

/** The stops of a gradient, of its own or by name. Throws when the rules lack the name. */
export function stopsOf({ stops }: Gradient, values: NamedValues): readonly Stop[] {
  if (typeof stops !== 'string') return stops
  const named = values.gradients?.find(({ name }) => name === stops)
  if (!named) throw new Error(`The rules have no gradient named “${stops}”.`)
  return named.stops
}
