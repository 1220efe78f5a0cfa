import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { rootsOnUnit } from './roots'

/** The coefficients of the product of (t − r) for all r. */
const polynomial = (roots: readonly number[]): number[] =>
  roots.reduce<number[]>((c, r) => [0, ...c].map((value, i) => value - r * (c[i] ?? 0)), [1])

describe('roots on 0..1', () => {
  it('are all found, and no others', () => {
    const root = fc.integer({ min: -20, max: 40 }).map((n) => n / 20)
    fc.assert(
      fc.property(fc.uniqueArray(root, { minLength: 1, maxLength: 6 }), (roots) => {
        const found = rootsOnUnit(polynomial(roots), 0).map(({ t }) => t)
        const expected = roots.filter((r) => r >= 0 && r <= 1).sort((a, b) => a - b)
        expect(found).toHaveLength(expected.length)
        found.forEach((t, i) => expect(Math.abs(t - expected[i]!)).toBeLessThan(1e-9))
      }),
    )
  })

  it('where a curve touches are one, whether it just misses, just meets or just crosses', () => {
    for (const lift of [-1e-12, 0, 1e-12]) {
      const c = polynomial([0.4, 0.4])
      c[0]! += lift
      const found = rootsOnUnit(c, 1e-10)
      expect(found).toHaveLength(1)
      expect(found[0]).toMatchObject({ touch: true })
      expect(found[0]!.t).toBeCloseTo(0.4, 6)
    }
    expect(rootsOnUnit([0.16 + 1e-6, -0.8, 1], 1e-10)).toEqual([])
    expect(rootsOnUnit([0.16 - 1e-6, -0.8, 1], 1e-10)).toHaveLength(2)
  })

  it('of a constant are none', () => {
    expect(rootsOnUnit([3], 0)).toEqual([])
    expect(rootsOnUnit([0, 0, 0], 0)).toEqual([])
  })
})
