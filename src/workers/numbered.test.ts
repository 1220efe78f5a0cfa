import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Numbers, Things } from './numbered'

describe('things sent under numbers', () => {
  it('arrive as they were, each once, however often they are sent', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(5), { minLength: 1, maxLength: 30 }), (picks) => {
        const pool = Array.from({ length: 6 }, (_, i) => ({ name: `thing ${i}` }))
        const numbers = new Numbers(() => undefined),
          things = new Things()
        let whole = 0
        for (const pick of picks) {
          const sent = structuredClone(numbers.of(pool[pick]!))
          if (sent.thing) whole++
          expect(things.take(sent)).toEqual(pool[pick])
        }
        expect(whole).toBe(new Set(picks).size)
      }),
    )
  })

  it('are the same object at the other end each time, until they are forgotten', () => {
    const numbers = new Numbers(() => undefined),
      things = new Things(),
      rules = {}
    const first = numbers.of(rules),
      again = numbers.of(rules)
    expect(things.take(first)).toBe(things.take(again))
    things.forget([again.number])
    expect(() => things.take(again)).toThrow('Nothing was sent under the number')
  })
})
