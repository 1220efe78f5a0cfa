import type { Path } from '../geometry/path'
import type { Transform } from '../geometry/transform'
import type { FillRule } from '../planar/boolean'

/** A colour with straight alpha, each part 0 to 1. */
export type Colour = readonly [r: number, g: number, b: number, a: number]

/** Stops of a gradient by their place, 0 to 1, in that order; before the first and after the last their colours go on. */
type Stops = readonly { readonly at: number; readonly colour: Colour }[]

/**
 * What an area is painted with. `map` brings places of the picture into the gradient's own: along x from 0 to 1, or out
 * of `focus` to the unit circle (SVG 2 §14.2).
 */
export type Paint =
  | { readonly kind: 'flat'; readonly colour: Colour }
  | { readonly kind: 'linear'; readonly stops: Stops; readonly opacity: number; readonly map: Transform }
  | {
      readonly kind: 'radial'
      readonly stops: Stops
      readonly opacity: number
      readonly map: Transform
      readonly focus: readonly [x: number, y: number]
    }

/**
 * An area and its paint. The path of an area with an `outline` may wind around nothing backwards, and is quicker to lay
 * out than that outline, which paints the same and takes its place where the path fails.
 */
export type Area = {
  readonly kind: 'area'
  readonly path: Path
  readonly rule: FillRule
  readonly paint: Paint
  readonly outline?: () => Path
}

/** An area that is filled by the nonzero rule. */
export const filledArea = (path: Path, paint: Paint, outline?: () => Path): Area => ({
  kind: 'area',
  path,
  rule: 'nonzero',
  paint,
  ...(outline && { outline }),
})

/** A soft shadow: where it lies, how far it is blurred (a standard deviation), in units of the picture; and its colour. */
export type Shadow = { readonly x: number; readonly y: number; readonly deviation: number; readonly colour: Colour }

/** Items that are painted as one: as opaque as that, through what `mask` paints, over their shadow. */
export type Group = {
  readonly kind: 'group'
  readonly items: readonly Item[]
  readonly opacity: number
  readonly mask: readonly Item[] | null
  readonly shadow: Shadow | null
}

/** What a picture is painted of, the lowest first. */
export type Item = Area | Group

/** The areas of items in paint order; the areas of masks come after those they mask. */
export const areasOf = (items: readonly Item[]): Area[] =>
  items.flatMap((item) => (item.kind === 'area' ? [item] : [...areasOf(item.items), ...areasOf(item.mask ?? [])]))

/** True where something of items has a shadow. */
export const hasShadow = (items: readonly Item[]): boolean =>
  items.some((item) => item.kind === 'group' && (item.shadow !== null || hasShadow(item.items)))
