import type { DrawingObject } from '../../drawing/objects/object'

/** A read icon on the grid of the future set. */
export type Plain = { readonly name: string; readonly objects: readonly DrawingObject[] }

/** A number as evidence says it. */
export const said = (value: number): string => String(Math.round(value * 1000) / 1000)
