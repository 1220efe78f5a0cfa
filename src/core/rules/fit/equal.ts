import { type Form, sumOf } from './form'
import type { Relation } from './solve'

/** Relation: two forms have the same value. */
export const equal = (a: Form, b: Form, weight: number): Relation => ({
  kind: 'sum',
  weight,
  form: sumOf([
    [1, a],
    [-1, b],
  ]),
})
