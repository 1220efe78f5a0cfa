import type { Point } from '../../../geometry/point'
import type { Fitting } from '../../model/fitting'
import type { Thing } from '../../model/traits'

/** How objects of a kind are fitted to another grid. */
export type FittingFacet<T extends Thing> = {
  /** Fits the object to another grid, without its members. Null, or missing: it can only be scaled as a whole. */
  readonly fit?: (object: T, to: Fitting) => T | null
  /** The horizontal or vertical line at which its members are mirrored once; null where they are copied otherwise. */
  readonly mirror?: (object: T) => { readonly axis: 'x' | 'y'; readonly at: number } | null
  /** The rows in which its copies lie, each by its count of copies and the step between them; null where they lie otherwise. */
  readonly rows?: (object: T) => readonly { readonly count: number; readonly step: Point }[] | null
  /** The centre of its copies; null where they have none. */
  readonly middle?: (object: T) => Point | null
}
