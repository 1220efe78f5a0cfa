import fc from 'fast-check'
import { expect, it } from 'vitest'
import { atOnce, sortedIn } from './steps'
import { runs } from '../../testing/runs'

it('puts in order what sorting does, equals in the order they had', () => {
  const items = fc.array(fc.record({ key: fc.nat(40), was: fc.nat() }), { maxLength: 4000, size: 'max' })
  const byKey = (a: { key: number }, b: { key: number }) => a.key - b.key
  fc.assert(
    fc.property(items, (all) => {
      expect(atOnce(sortedIn(all, byKey))).toEqual(all.toSorted(byKey))
    }),
    runs(60),
  )
})
