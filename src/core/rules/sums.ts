import type { NamedNumber } from '../drawing/model/values'

/** A radius that may be a sum of others and of weights, which stays one. */
type Radius = NamedNumber & { readonly sum?: string | undefined }
type Values = { readonly weights: readonly NamedNumber[]; readonly radii: readonly Radius[] }

const NAME = /[a-zA-Z][a-zA-Z0-9-]*/g

/**
 * Value of a sum like “outer - main” or “main * 1.5 + 1”: products before sums, names of weights and of plain radii.
 * Null if it is no sum or a name is unknown. A negative value is no radius.
 */
export function sumValue(sum: string, { weights, radii }: Values): number | null {
  const named = new Map([...radii.filter((one) => !one.sum), ...weights].map(({ name, value }) => [name, value]))
  const tokens = sum.match(/[a-zA-Z][a-zA-Z0-9-]*|\d+(\.\d+)?|[+*/−-]|\S/g) ?? []
  let at = 0
  const factor = (): number => {
    const token = tokens[at++] ?? ''
    return /^\d/.test(token) ? Number(token) : (named.get(token) ?? NaN)
  }
  const product = (): number => {
    let value = factor()
    while (tokens[at] === '*' || tokens[at] === '/') value = tokens[at++] === '*' ? value * factor() : value / factor()
    return value
  }
  let value = product()
  while (at < tokens.length) {
    const sign = tokens[at++]
    if (sign !== '+' && sign !== '-' && sign !== '−') return null
    value += sign === '+' ? product() : -product()
  }
  return Number.isFinite(value) ? Math.round(value * 1e6) / 1e6 + 0 : null
}

/** The same values with every sum replaced by its number. */
export const summed = <V extends Values>(values: V): V => ({
  ...values,
  radii: values.radii.map((one) => {
    const value = one.sum ? sumValue(one.sum, values) : null
    return value === null || value < 0 ? one : { ...one, value }
  }),
})

/** The names that a sum is made of. */
export const namesIn = (sum: string): readonly string[] => sum.match(NAME) ?? []

/** A sum with names exchanged. */
export const renamedSum = (sum: string, name: (name: string) => string): string => sum.replace(NAME, name)

/** The sentence for a negative sum. */
export const negativeSentence = (name: string, sum: string, value: number): string =>
  `The radius “${name}” would be ${value} by “${sum}”: a radius cannot be below 0.`

/** Problems of the sums of a rule book, as sentences. */
export const sumProblems = (values: Values): string[] =>
  values.radii.flatMap(({ name, value, sum }) => {
    if (!sum) return []
    const is = sumValue(sum, values)
    if (is === null)
      return [`The radius “${name}” is defined as “${sum}”, which is not a sum of weights and plain radii.`]
    if (is < 0) return [negativeSentence(name, sum, is)]
    return Math.abs(is - value) < 1e-6
      ? []
      : [`The radius “${name}” is defined as “${sum}”, which is ${is}, not ${value}.`]
  })
