import type { Point } from '../../../geometry/point'
import type { Fitting, Row } from '../../model/fitting'
import type { Thing } from '../../model/traits'

/** How objects of a kind are fitted to another grid. */
export type FittingFacet<T extends Thing> = {
  /** Fits the object to another grid, without its members. Null, or missing: it can only be scaled as a whole. */
  readonly fit?: (object: T, to: Fitting) => T | null
  /** The horizontal or vertical line at which its members are mirrored once; null where they are copied otherwise. */
  readonly mirror?: (object: T) => { readonly axis: 'x' | 'y'; readonly at: number } | null
  /** The place of its first copy and the rows of copies that are placed one by one; null where there are none. */
  readonly rows?: (object: T) => { readonly from: Point; readonly rows: readonly Row[] } | null
  /** The centre of its copies; null where they have none. */
  readonly middle?: (object: T) => Point | null
}
