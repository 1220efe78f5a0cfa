import type { Point } from './point'

/** A place where two segments meet: at parameter `s` of the first and `t` of the second. */
export type Meeting = { readonly at: Point; readonly s: number; readonly t: number }
