import { type Form, sumOf } from './form'
import type { Relation } from './solve'

/** Two forms come to the same. */
export const equal = (a: Form, b: Form, weight: number): Relation => ({
  kind: 'sum',
  weight,
  form: sumOf([
    [1, a],
    [-1, b],
  ]),
})
