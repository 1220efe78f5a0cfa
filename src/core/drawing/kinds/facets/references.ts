import type { Radius, Style, Weight } from '../../model/style'
import type { Thing } from '../../model/traits'

/** The values and parts that objects of a kind refer to, beside their style and their corner. */
export type ReferencesFacet<T extends Thing> = {
  /** The object with each radius that it names or holds replaced; the same when none changes. */
  readonly withRadii?: (object: T, change: (radius: Radius) => Radius) => T
  /** The object with each length by weight that it names or holds replaced. */
  readonly withWeights?: (object: T, change: (weight: Weight) => Weight) => T
  /** The object with each finish that it holds replaced. */
  readonly withStyles?: (object: T, change: (style: Style) => Style) => T
  /** The object with its own colours replaced. */
  readonly withColours?: (object: T, change: (colour: string) => string) => T
  /** The plate of the rules that it refers to, and the same with another. */
  readonly plate?: (object: T) => string | undefined
  readonly withPlate?: (object: T, name: string) => T
  /** The part that it places, and the same with another. */
  readonly part?: (object: T) => string | undefined
  readonly withPart?: (object: T, name: string) => T
}
