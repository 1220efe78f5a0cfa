import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { likeness, LookAlikes } from './look-alikes'
import { runs } from '../../testing/runs'

/** Pictures as icons are: a few discs of ink, some of them nearly another. */
const cover = fc
  .array(fc.record({ x: fc.nat(16), y: fc.nat(16), r: fc.integer({ min: 1, max: 7 }) }), { minLength: 1, maxLength: 2 })
  .map((discs) =>
    Float32Array.from({ length: 256 }, (_, i) =>
      discs.some(({ x, y, r }) => Math.hypot((i % 16) + 0.5 - x, Math.floor(i / 16) + 0.5 - y) < r) ? 1 : 0,
    ),
  )
const families = fc.array(fc.array(fc.option(cover, { nil: null, freq: 9 }), { maxLength: 9 }), {
  minLength: 1,
  maxLength: 4,
})

describe('pictures that look alike', () => {
  it('are those that comparing each with each finds, however the family came to be', () => {
    fc.assert(
      fc.property(families, fc.constantFrom(0.5, 0.8), (steps, least) => {
        const known = new LookAlikes<{ id: string; balance: { cover: Float32Array } | null }>(least)
        for (const covers of steps) {
          const family = covers.map((one, i) => ({ id: `icon-${i}`, balance: one && { cover: one } }))
          const found = known.pairs(family)
          const expected = family.flatMap((b, k) =>
            family.slice(0, k).flatMap((a) => {
              const alike = a.balance && b.balance ? likeness(a.balance.cover, b.balance.cover) : 0
              return alike >= least ? [`${a.id} ${b.id} ${alike}`] : []
            }),
          )
          expect(found.map(({ a, b, likeness: alike }) => `${a.id} ${b.id} ${alike}`).sort()).toEqual(expected.sort())
          expect(found.map((pair) => pair.likeness)).toEqual(
            found.map((pair) => pair.likeness).toSorted((p, q) => q - p),
          )
        }
      }),
      runs(300),
    )
  })
})
