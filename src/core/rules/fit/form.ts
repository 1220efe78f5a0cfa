import type { Point } from '../../geometry/point'

/** A number that is a sum of unknowns, each times a factor, and a constant. */
export type Form = { readonly constant: number; readonly of: readonly number[]; readonly by: readonly number[] }

/** A place of a drawing: where it was, on the set's grid, and where it is to be, on the other grid, by unknowns. */
export type Spot = { readonly was: Point; readonly x: Form; readonly y: Form }

/** An unknown by itself. */
export const unknown = (index: number): Form => ({ constant: 0, of: [index], by: [1] })

export const constant = (value: number): Form => ({ constant: value, of: [], by: [] })

/** A sum of forms, each times a factor. */
export function sumOf(terms: readonly (readonly [number, Form])[]): Form {
  const factors = new Map<number, number>()
  let all = 0
  for (const [by, form] of terms) {
    all += by * form.constant
    form.of.forEach((index, i) => factors.set(index, (factors.get(index) ?? 0) + by * form.by[i]!))
  }
  return { constant: all, of: [...factors.keys()], by: [...factors.values()] }
}

/** Value of a linear form for the given unknowns. */
export function valueOf({ constant, of, by }: Form, values: ArrayLike<number>): number {
  let sum = constant
  for (let i = 0; i < of.length; i++) sum += by[i]! * values[of[i]!]!
  return sum
}

/** A number with four digits after the point, where it is that but for what solving leaves. */
export function short(value: number): number {
  const rounded = Math.round(value * 1e4) / 1e4
  return Math.abs(rounded - value) < 1e-6 ? rounded : value
}
