import { describe, expect, it } from 'vitest'
import { beyond, MORE_THAN_NONE, PERCENT } from './limits'

describe('the limits of a number field', () => {
  it('take what lies within them, and say in a sentence what they are', () => {
    expect([0, 50, 100].map((value) => beyond(value, PERCENT, 'opacity'))).toEqual([null, null, null])
    expect(beyond(-1, PERCENT, 'opacity')).toBe('“opacity” goes from 0 to 100.')
    expect(beyond(100.5, PERCENT, 'opacity')).toBe('“opacity” goes from 0 to 100.')
    expect(beyond(2e6, { least: -1e6, most: 1e6 }, 'x of Coil')).toBe('“x of Coil” goes from −1,000,000 to 1,000,000.')
    expect(beyond(0, MORE_THAN_NONE, 'length of Oar')).toBe('“length of Oar” is more than 0.')
    expect(beyond(1001, { least: 0, above: true, most: 1000 }, 'weight')).toBe(
      '“weight” is more than 0 and at most 1,000.',
    )
    expect(beyond(3.5, { least: 3, most: 120, whole: true }, 'sides')).toBe('“sides” is a whole number.')
  })
})
