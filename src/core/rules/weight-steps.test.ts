import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '../../testing/runs'
import { weightsBySize } from './rules-for-grid'
import { starter, STARTERS } from './starters'
import { steppedWeight, weightsAt } from './weight-steps'

const { rules } = starter('interface-24')!
const main = (base: number, more: Partial<typeof rules> = {}): number =>
  weightsAt({ ...rules, ...more }, base)[0]!.value

describe('weights on further grids', () => {
  it('are whole in every new set; else whole only where that is within a fifth of proportion, or as is asked', () => {
    for (const { rules: book } of STARTERS) expect(book.weightSteps).toBe('whole')
    expect([16, 20, 24, 32, 48].map((base) => main(base, { weightSteps: undefined }))).toEqual([1.5, 2, 2, 3, 4])
    expect([16, 20, 32].map((base) => main(base, { weightSteps: 'whole' }))).toEqual([1, 2, 3])
    expect([16, 20, 32].map((base) => main(base, { weightSteps: 'half' }))).toEqual([1.5, 1.5, 2.5])
    expect([12, 20, 36].map((base) => main(base, { weightSteps: 'kept' }))).toEqual([1, expect.closeTo(5 / 3, 3), 3])
  })

  it('never get thinner towards larger grids, however they step, nor beside what a master says', () => {
    const weight = fc.double({ min: 0.1, max: 12, noNaN: true })
    fc.assert(
      fc.property(
        fc.constantFrom('whole', 'half', 'kept', undefined),
        weight,
        weight,
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (weightSteps, a, b, k) => {
          const [less, more] = [Math.min(a, b), Math.max(a, b)]
          expect(steppedWeight(less, weightSteps)).toBeLessThanOrEqual(steppedWeight(more, weightSteps))
          const said = { base: 20, weights: [{ name: 'main', value: 2 * k }] }
          const ordered = k <= 1 ? [16, 20, 24] : [28, 32, 48]
          const masters = k <= 1 ? [said] : [{ ...said, base: 32 }]
          const values = ordered.map((base) => main(base, { weightSteps, masters }))
          expect(values).toEqual(values.toSorted((x, y) => x - y))
        },
      ),
      runs(300),
    )
  })

  it('are told at every delivered size, with their share of proportion', () => {
    const masters = [{ base: 16 }]
    expect(
      weightsBySize({ ...rules, masters }).map(({ size, weights }) => [size, weights[0]!.pixels, weights[0]!.share]),
    ).toEqual([
      [16, 1, 0.75],
      [20, expect.closeTo(5 / 3), 1],
      [24, 2, 1],
      [32, expect.closeTo(8 / 3), 1],
      [48, 4, 1],
    ])
  })
})
