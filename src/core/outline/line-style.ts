import type { CapStyle, JoinStyle } from './joint'

/** Stroke of a path. Lengths in grid units; `position` applies to closed contours, open ones are stroked on centre. */
export type Stroke = {
  readonly width: number
  readonly cap: CapStyle
  readonly join: JoinStyle
  readonly miterLimit: number
  readonly dash?: readonly number[]
  readonly dashOffset?: number
  readonly position?: 'center' | 'inside' | 'outside'
  /** A cap of one end's own, and a join of one node's own, by the number of the contour and of the node in it. */
  readonly capAt?: (contour: number, last: boolean) => CapStyle | undefined
  readonly joinAt?: (contour: number, node: number) => JoinStyle | undefined
}
