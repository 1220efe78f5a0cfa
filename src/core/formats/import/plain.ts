import type { DrawingObject } from '../../drawing/model/object'

/** An icon as it was read, on the grid of the set to come. */
export type Plain = { readonly name: string; readonly objects: readonly DrawingObject[] }

/** A number as evidence says it. */
export const said = (value: number): string => String(Math.round(value * 1000) / 1000)
