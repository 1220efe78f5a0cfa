import type { Point } from '../../geometry/point'
import type { Transform } from '../../geometry/transform'
import type { Cap, Join, Weight } from './style'

/**
 * A resolved colour for light and dark ground; `name` is its name in the rules. `ink` is true for the icon's own
 * colour.
 */
export type ResolvedColour = {
  readonly name: string
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
  /** The name in the rules of its stops, where they have one. */
  readonly name?: string
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
  /** What the width was looked up by. */
  readonly weight: Weight
  readonly cap: Cap
  readonly join: Join
  readonly miterLimit: number
  readonly dash?: readonly number[]
  readonly dashOffset?: number
}

/** A soft shadow with its colour looked up; lengths in grid units. */
export type ResolvedShadow = {
  readonly x: number
  readonly y: number
  readonly blur: number
  readonly color: ResolvedColour
}

/** A paint made more transparent. */
export const withOpacity = (paint: ResolvedPaint, by: number): ResolvedPaint =>
  by === 1 ? paint : { ...paint, opacity: paint.opacity * by }
