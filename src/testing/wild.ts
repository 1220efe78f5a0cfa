import fc from 'fast-check'
import { anyObject } from './arbitrary'
import { DrawingObject } from '../core/drawing/objects/object'

/**
 * Arbitrary objects with some of their numbers exchanged for ones from where it hurts, as far as the schema takes them:
 * for tests.
 */

const numbers = fc.constantFrom(
  0,
  5e-324,
  1e-18,
  1e-9,
  2e-7,
  0.001,
  0.5,
  1,
  3,
  24,
  60,
  89.999,
  120,
  360,
  1000,
  1e5,
  1e6,
  -1e-9,
  -1,
  -60,
  -360,
  -1e6,
)

/** How many numbers a value holds, in any depth. */
function count(value: unknown): number {
  if (typeof value === 'number') return 1
  return typeof value === 'object' && value !== null
    ? Object.values(value).reduce((sum: number, one) => sum + count(one), 0)
    : 0
}

/** The value with those of its numbers exchanged whose turn is in a map. */
function exchanged(value: unknown, by: ReadonlyMap<number, number>, turn = { at: 0 }): unknown {
  if (typeof value === 'number') return by.get(turn.at++) ?? value
  if (Array.isArray(value)) return value.map((one) => exchanged(one, by, turn))
  return typeof value === 'object' && value !== null
    ? Object.fromEntries(Object.entries(value).map(([key, one]) => [key, exchanged(one, by, turn)]))
    : value
}

/** Objects with odd numbers, some of which no schema takes. */
export const oddObject: fc.Arbitrary<unknown> = fc
  .tuple(anyObject, fc.array(fc.tuple(fc.nat(), numbers), { minLength: 1, maxLength: 6 }))
  .map(([object, changes]) => {
    const many = count(object)
    return exchanged(object, new Map(changes.map(([at, to]) => [at % many, to])))
  })

/** Those that the schema takes. */
export const wildObject = oddObject.filter((value): value is DrawingObject => DrawingObject.safeParse(value).success)
