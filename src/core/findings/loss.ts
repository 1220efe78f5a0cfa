import type { Point } from '../geometry/point'

/** A loss: what a change, a fit or an import does not keep, why in a few words, and where, if that is known. */
export type Loss<What extends string = string> = { readonly what: What; readonly why: string; readonly at?: Point }
