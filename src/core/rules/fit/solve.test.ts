import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { random } from '../../../testing/shapes'
import { runs } from '../../../testing/runs'
import { constant, type Spot, sumOf, unknown } from './form'
import { missedBy, type Relation, solved } from './solve'
import { HARD, SLIGHT } from './weights'

/** Spots whose coordinates are unknowns of their own, two each. */
const spots = (count: number): Spot[] =>
  Array.from({ length: count }, (_, i) => ({ was: { x: 0, y: 0 }, x: unknown(2 * i), y: unknown(2 * i + 1) }))
const at = (spot: Spot, axis: 'x' | 'y', value: number, weight = HARD): Relation => ({
  kind: 'sum',
  weight,
  form: sumOf([
    [1, spot[axis]],
    [-1, constant(value)],
  ]),
})
const place = fc.double({ min: 0, max: 24, noNaN: true })

/** What is made as small as can be. */
function squares(begin: readonly number[], stay: number, relations: readonly Relation[], values: ArrayLike<number>) {
  let sum = 0
  for (let i = 0; i < begin.length; i++) sum += stay * (begin[i]! - values[i]!) ** 2
  for (const one of relations) sum += one.weight * missedBy(one, values) ** 2
  return sum
}

describe('what relations ask of places', () => {
  it('is met: a place beside a line, at a distance from another, on the way that a third leads', () => {
    fc.assert(
      fc.property(
        fc.array(place, { minLength: 8, maxLength: 8 }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        (begin, far) => {
          const [p, a, b, q] = spots(4) as [Spot, Spot, Spot, Spot]
          fc.pre(Math.hypot(begin[2]! - begin[4]!, begin[3]! - begin[5]!) > 1)
          const relations: Relation[] = [
            ...(['x', 'y'] as const).flatMap((axis, k) => [at(a, axis, begin[2 + k]!), at(b, axis, begin[4 + k]!)]),
            { kind: 'beside', weight: HARD, p, a, b, by: constant(far) },
            { kind: 'away', weight: HARD, p: q, q: p, by: constant(far) },
          ]
          const values = solved(
            begin,
            begin.map(() => 0.05),
            relations,
          )
          for (const one of relations) expect(Math.abs(missedBy(one, values))).toBeLessThan(2e-3)
          // Where it begins decides the side: what is beside is to the left of the way.
          const long = Math.hypot(values[4]! - values[2]!, values[5]! - values[3]!)
          const side =
            ((values[4]! - values[2]!) * (values[1]! - values[3]!) -
              (values[5]! - values[3]!) * (values[0]! - values[2]!)) /
            long
          expect(side).toBeCloseTo(far, 2)
        },
      ),
    )
  })

  it('never comes out worse than where it began, also where it cannot be met', () => {
    for (let seed = 1; seed <= runs(150).numRuns; seed++) {
      const next = random(seed)
      const count = 3 + Math.floor(next() * 4)
      const some = spots(count)
      const pick = () => some[Math.floor(next() * count)]!
      const begin = Array.from({ length: 2 * count }, () => 24 * next())
      const weight = () => (next() < 0.5 ? HARD : SLIGHT)
      const relations = Array.from({ length: 2 * count }, (): Relation => {
        const kind = Math.floor(next() * 4)
        if (kind === 0) return at(pick(), next() < 0.5 ? 'x' : 'y', Math.round(24 * next()), weight())
        if (kind === 1) return { kind: 'away', weight: weight(), p: pick(), q: pick(), by: constant(1 + 5 * next()) }
        if (kind === 2)
          return { kind: 'beside', weight: weight(), p: pick(), a: pick(), b: pick(), by: constant(next()) }
        return { kind: 'parallel', weight: weight(), a: pick(), b: pick(), c: pick(), d: pick(), cos: 1, sin: 0 }
      })
      const stay = begin.map(() => 0.05)
      const values = solved(begin, stay, relations)
      expect(values.every(Number.isFinite), String(seed)).toBe(true)
      const end = squares(begin, 0.05, relations, values)
      expect(end, String(seed)).toBeLessThanOrEqual(squares(begin, 0.05, relations, begin) * (1 + 1e-9))
    }
  })
})
