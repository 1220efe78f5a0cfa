import { type DrawingObject, isContainer, isStyled, kindOf, type Styled } from '../objects/object'
import type { Scene } from '../scene/scene'
import { styleOf } from '../scene/shared-style'
import { type Fill, isGradient, type Paint } from '../model/paint'
import { paintsOf, type Style, withPaints } from '../model/style'

/** Which paint of a style: its fill, one of those over it by number, or its stroke. */
export type PaintPlace = 'fill' | 'stroke' | number

export function paintAt(style: Style, place: PaintPlace): Paint | undefined {
  return typeof place === 'number' ? style.fills?.[place]?.paint : style[place]
}

export function opacityAt(style: Style, place: PaintPlace): number {
  return (
    (typeof place === 'number'
      ? style.fills?.[place]?.opacity
      : place === 'fill'
        ? style.fillOpacity
        : style.strokeOpacity) ?? 1
  )
}

/** A style with another paint, or another opacity of one; the style itself where it has no such place. */
export function withPaintAt(style: Style, place: PaintPlace, change: { paint?: Paint; opacity?: number }): Style {
  const opacity = change.opacity ?? opacityAt(style, place)
  if (typeof place === 'number') {
    if (!style.fills?.[place]) return style
    return {
      ...style,
      fills: style.fills.map((fill, i) => (i === place ? fillOf(change.paint ?? fill.paint, opacity) : fill)),
    }
  }
  const key = place === 'fill' ? 'fillOpacity' : 'strokeOpacity'
  const { [key]: _, ...rest } = style
  return { ...rest, [place]: change.paint ?? style[place], ...(opacity < 1 && { [key]: opacity }) }
}

const fillOf = (paint: Paint, opacity: number): Fill => (opacity < 1 ? { paint, opacity } : { paint })

/**
 * All fills of a style from the lowest up, and the style with others; one of them at least is left, if only no paint.
 */
export const fillsOf = (style: Style): Fill[] => [fillOf(style.fill, style.fillOpacity ?? 1), ...(style.fills ?? [])]

export function withFills(style: Style, [first, ...over]: readonly Fill[]): Style {
  const { fills: _, fillOpacity: __, ...rest } = style
  return {
    ...rest,
    fill: first?.paint ?? 'none',
    ...(first?.opacity !== undefined && { fillOpacity: first.opacity }),
    ...(over.length > 0 && { fills: over }),
  }
}

/** The painted objects in a selection: what groups hold, and assemblies as one. */
export function styledWithin(objects: readonly DrawingObject[]): Styled[] {
  return objects.flatMap((object): Styled[] =>
    isStyled(object) ? [object] : isContainer(object) ? styledWithin(object.members) : [],
  )
}

/**
 * Something that is seen painted: an object in its style, or in the style of one of the shapes that it makes of its
 * members (their number, from 0).
 */
export type Painted = {
  readonly of: DrawingObject
  readonly shape: number | null
  readonly name: string
  readonly style: Style
}

/** The paints of a selection. Objects that make shapes of their members count as one; their members are not seen. */
export function paintedWithin(objects: readonly DrawingObject[], scene: Scene): Painted[] {
  return objects.flatMap((of): Painted[] => {
    const { name } = of
    if (isStyled(of)) return [{ of, shape: null, name, style: styleOf(of, scene) }]
    const made = stylesMade(of)
    if (made) return made.map((style, shape) => ({ of, shape, name, style }))
    return isContainer(of) ? paintedWithin(of.members, scene) : []
  })
}

/** The styles of the shapes that an object makes of its members; null where it makes none. */
function stylesMade(object: DrawingObject): Style[] | null {
  const { withStyles } = kindOf(object).references
  if (!withStyles) return null
  const styles: Style[] = []
  withStyles(object, (style) => (styles.push(style), style))
  return styles
}

/** The objects in which things are painted, with each of these painted another way. */
export function paintedAnew(painted: readonly Painted[], change: (one: Painted, i: number) => Style): DrawingObject[] {
  const anew = new Map<string, DrawingObject>()
  painted.forEach((one, i) => {
    const object = anew.get(one.of.id) ?? one.of
    const style = change(one, i)
    let nth = 0
    anew.set(
      object.id,
      isStyled(object)
        ? withFinish(object, style)
        : (kindOf(object).references.withStyles?.(object, (own) => (nth++ === one.shape ? style : own)) ?? object),
    )
  })
  return [...anew.values()]
}

/** Replaces a shared style by an inline copy. */
export const withOwnStyle = <T extends Styled>(object: T, scene: Scene): T & { readonly style: Style } =>
  withFinish(object, styleOf(object, scene))

/** The finish of an object alone: everything of its style. */
export const withFinish = <T extends Styled>(object: T, style: Style): T & { readonly style: Style } =>
  object.style === style ? (object as T & { style: Style }) : { ...object, style }

/** Every colour that objects are painted with, names and own ones, and how often, the most used first. */
export function coloursUsed(painted: readonly { readonly style: Style }[]): { color: string; count: number }[] {
  const counts = new Map<string, number>()
  const add = (color: string) => counts.set(color, (counts.get(color) ?? 0) + 1)
  for (const { style } of painted) {
    for (const paint of paintsOf(style)) {
      if (!isGradient(paint)) {
        if (paint !== 'none') add(paint)
      } else if (typeof paint.stops !== 'string') paint.stops.forEach(({ color }) => add(color))
    }
  }
  return [...counts]
    .map(([color, count]) => ({ color, count }))
    .sort((a, b) => b.count - a.count || (a.color < b.color ? -1 : 1))
}

/** A paint with colours exchanged all at once, in the stops of a gradient of its own too: two may be swapped. */
export function repainted(paint: Paint, to: ReadonlyMap<string, string>): Paint {
  if (!isGradient(paint)) return to.get(paint) ?? paint
  if (typeof paint.stops === 'string' || !paint.stops.some(({ color }) => to.has(color))) return paint
  return { ...paint, stops: paint.stops.map((stop) => ({ ...stop, color: to.get(stop.color) ?? stop.color })) }
}

/** A style with colours exchanged. */
export const recoloured = (style: Style, to: ReadonlyMap<string, string>): Style =>
  withPaints(style, (paint) => repainted(paint, to))
