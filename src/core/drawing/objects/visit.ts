import { type DrawingObject, isCornered, isStyled, kindOf } from './object'
import { type Paint, isGradient } from '../model/paint'
import { isShared, type Radius, type Style, type Weight, withPaints } from '../model/style'

/** Replacements for all values of an object that refer to rules, measure or paint; missing ones keep the value. */
export type Visitor = {
  readonly style?: (style: Style) => Style
  /** Of the name of a finish that is shared. */
  readonly finish?: (name: string) => string
  readonly radius?: (radius: Radius) => Radius
  /** Of lengths by weight other than that of its stroke. */
  readonly weight?: (weight: Weight) => Weight
  /** Of colours other than those of its style: of its shadow, and those that a placement exchanges. */
  readonly colour?: (colour: string) => string
}

/** An object, its members left aside, as a visitor leaves it; the same object when nothing changes. */
export function visited<T extends DrawingObject>(object: T, visitor: Visitor): T
export function visited(object: DrawingObject, { style, finish, radius, weight, colour }: Visitor): DrawingObject {
  let next = object
  if (isStyled(next)) {
    if (!isShared(next.style)) {
      const own = style?.(next.style) ?? next.style
      if (own !== next.style) next = { ...next, style: own }
    } else if (finish) {
      const name = finish(next.style.finish)
      if (name !== next.style.finish) next = { ...next, style: { finish: name } }
    }
  }
  if (style) next = kindOf(next).references.withStyles?.(next, style) ?? next
  if (weight) next = kindOf(next).references.withWeights?.(next, weight) ?? next
  if (colour) next = withColours(next, colour)
  if (!radius) return next
  if (isCornered(next)) {
    const corner = radius(next.corner)
    if (corner !== next.corner) next = { ...next, corner }
  }
  return kindOf(next).references.withRadii?.(next, radius) ?? next
}

function withColours(object: DrawingObject, colour: (colour: string) => string): DrawingObject {
  const next = kindOf(object).references.withColours?.(object, colour) ?? object
  if (!next.shadow) return next
  const color = colour(next.shadow.color)
  return color === next.shadow.color ? next : { ...next, shadow: { ...next.shadow, color } }
}

/** The kinds of named values that a drawing may refer to. */
export type ValueKind = 'weight' | 'radius' | 'swatch' | 'gradient' | 'part' | 'plate' | 'finish'

/** What another name is for each of a kind. */
export type Naming = (kind: ValueKind, name: string) => string

/** A style with every name of a value in it exchanged. */
export function withStyleNames(style: Style, name: Naming): Style {
  const repainted = (paint: Paint): Paint => {
    if (!isGradient(paint)) return isSwatch(paint) ? name('swatch', paint) : paint
    if (typeof paint.stops === 'string') {
      const stops = name('gradient', paint.stops)
      return stops === paint.stops ? paint : { ...paint, stops }
    }
    const stops = paint.stops.map((stop) =>
      isSwatch(stop.color) ? { ...stop, color: name('swatch', stop.color) } : stop,
    )
    return stops.every(({ color }, i) => color === (paint.stops[i] as { color: string }).color)
      ? paint
      : { ...paint, stops }
  }
  const painted = withPaints(style, repainted)
  if (typeof style.weight !== 'string') return painted
  const weight = name('weight', style.weight)
  return weight === style.weight ? painted : { ...painted, weight }
}

/** An object, its members left aside, with every name of a value in it exchanged. */
export function withNames<T extends DrawingObject>(object: T, name: Naming): T {
  const { part, withPart, plate, withPlate } = kindOf(object).references
  const exchanged = (one: T, kind: ValueKind, own: string | undefined, change?: (object: T, name: string) => T): T => {
    const other = own === undefined ? own : name(kind, own)
    return other === own ? one : change!(one, other!)
  }
  const placed = exchanged(object, 'part', part?.(object), withPart as never)
  return visited(exchanged(placed, 'plate', plate?.(placed), withPlate as never), {
    style: (style) => withStyleNames(style, name),
    finish: (finish) => name('finish', finish),
    radius: (radius) => (typeof radius === 'string' ? name('radius', radius) : radius),
    weight: (weight) => (typeof weight === 'string' ? name('weight', weight) : weight),
    colour: (colour) => (isSwatch(colour) ? name('swatch', colour) : colour),
  })
}

/** Every named value an object itself refers to, its members left aside, by the kind of value. */
export function namesUsed(object: DrawingObject): { kind: ValueKind; name: string }[] {
  const used: { kind: ValueKind; name: string }[] = []
  withNames(object, (kind, name) => {
    used.push({ kind, name })
    return name
  })
  return used
}

const isSwatch = (color: string): boolean => color !== 'none' && !color.startsWith('#')
