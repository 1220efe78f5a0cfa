import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bestPlaces, evenPlaces, type Knot, type Wish } from './best-places'
import { runs } from '../../../testing/runs'

/** A knot that would like to be at a place, and pays for what lies between units. */
const knot = (ideal: number, edge: number): Knot => ({
  ideal,
  phases: [edge],
  cost: (place) => (place - ideal) ** 2 + (Math.abs(place - edge - Math.round(place - edge)) > 1e-9 ? 1 : 0),
})

const knots = fc
  .array(fc.tuple(fc.double({ min: 0, max: 5, noNaN: true }), fc.constantFrom(0, 0.5, 0.25, 0.75)), {
    minLength: 1,
    maxLength: 5,
  })
  .map((list) => list.sort(([a], [b]) => a - b).map(([ideal, edge]) => knot(ideal, edge)))

const wishesOf = (n: number): fc.Arbitrary<Wish[]> =>
  fc.array(
    fc
      .tuple(
        fc.uniqueArray(fc.nat(n - 1), { minLength: 1, maxLength: Math.min(n, 3) }),
        fc.array(fc.constantFrom(-2, -1, 1, 2), { minLength: 3, maxLength: 3 }),
        fc.integer({ min: -3, max: 6 }),
        fc.boolean(),
        fc.constantFrom(0.5, 3, 100),
      )
      .map(([at, factors, value, least, weight]) => ({
        knots: at,
        factors: factors.slice(0, at.length),
        value,
        ...(least && { least: true as const }),
        weight,
      })),
    { maxLength: 5 },
  )

const problems = knots.chain((list) => fc.tuple(fc.constant(list), wishesOf(list.length)))

/** What places cost, by definition. */
function costOf(list: readonly Knot[], wishes: readonly Wish[], places: readonly number[]): number {
  if (places.some((place, i) => i > 0 && place < places[i - 1]! - 1e-9)) return Infinity
  const own = list.reduce((sum, { cost }, i) => sum + cost(places[i]!), 0)
  return wishes.reduce((sum, { knots: at, factors, value, least, weight }) => {
    const off = value - at.reduce((total, i, k) => total + factors[k]! * places[i]!, 0)
    return sum + weight * (least ? Math.max(0, off) : Math.abs(off))
  }, own)
}

/** All places on quarters within reach of each knot. */
function* everyPlacing(list: readonly Knot[]): Generator<number[]> {
  const [first, ...more] = list
  if (!first) return yield []
  for (let q = Math.ceil((first.ideal - 1) * 4 - 1e-9); q <= (first.ideal + 1) * 4 + 1e-9; q++) {
    const place = q / 4
    const isHalf = q % 2 === 0
    const onPhase = first.phases.some((phase) => Math.abs(place - phase - Math.round(place - phase)) < 1e-9)
    if (isHalf || onPhase) for (const rest of everyPlacing(more)) yield [place, ...rest]
  }
}

describe('the cheapest places', () => {
  it('are those that trying all of them finds', () => {
    fc.assert(
      fc.property(problems, ([list, wishes]) => {
        const { places, cost, isExact } = bestPlaces(list, wishes)
        let least = Infinity
        for (const one of everyPlacing(list)) least = Math.min(least, costOf(list, wishes, one))
        expect(isExact).toBe(true)
        expect(cost).toBeCloseTo(least, 6)
        expect(costOf(list, wishes, places)).toBeCloseTo(cost, 6)
      }),
      runs(60),
    )
  })

  it('are placed in order at their own cost, and told not to be exact, where trying all of them would take too long', () => {
    // Wishes between distant knots, which no bound over neighbours sees.
    const list = Array.from({ length: 14 }, (_, i) => knot(i / 2 + 0.3, (i % 4) / 4))
    const wishes = list.flatMap((_, i): Wish[] =>
      i < 7 ? [{ knots: [i, 13 - i], factors: [1, 1], value: 7.37 + i / 9, weight: 100 }] : [],
    )
    const { places, cost, isExact } = bestPlaces(list, wishes)
    expect(isExact).toBe(false)
    expect(costOf(list, wishes, places)).toBeCloseTo(cost, 6)
    expect(places).toEqual([...places].sort((a, b) => a - b))
  })

  it('are symmetric where that is asked for, and the cheapest of those', () => {
    fc.assert(
      fc.property(problems, fc.integer({ min: 4, max: 7 }), ([list, wishes], sum) => {
        const { places, cost } = evenPlaces(list, wishes, sum)
        fc.pre(cost < Infinity)
        places.forEach((place, i) => expect(place + places[list.length - 1 - i]!).toBeCloseTo(sum, 9))
        expect(costOf(list, wishes, places)).toBeCloseTo(cost, 6)
        for (const one of everyPlacing(list)) {
          const even = one.every((place, i) => Math.abs(place + one[list.length - 1 - i]! - sum) < 1e-9)
          if (even) expect(costOf(list, wishes, one)).toBeGreaterThan(cost - 1e-6)
        }
      }),
      runs(60),
    )
  })
})
