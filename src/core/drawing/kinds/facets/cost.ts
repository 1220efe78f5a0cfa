import type { Thing } from '../../model/traits'

/** Estimates of the work that drawing an object takes, its members left aside. */
export type CostFacet<T extends Thing> = {
  /** The segments and the length of its outline, in grid units. */
  readonly segments?: (object: T) => number
  readonly length?: (object: T) => number
  readonly characters?: (object: T) => number
  /** The number of images of its members. */
  readonly times?: (object: T) => number
}
