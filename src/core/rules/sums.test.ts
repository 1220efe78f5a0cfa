import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { Rules } from './rules'
import { renamedSum, summed, sumValue } from './sums'

const values = {
  weights: [
    { name: 'main', value: 2 },
    { name: 'fine-line', value: 1.5 },
  ],
  radii: [
    { name: 'outer', value: 3 },
    { name: 'inner', value: 1, sum: 'outer - main' },
  ],
}

describe('a radius that is a sum', () => {
  it('comes to what it says, products before sums, names with hyphens among them', () => {
    expect(sumValue('outer - main', values)).toBe(1)
    expect(sumValue('outer − fine-line + 2', values)).toBe(3.5)
    expect(sumValue('main * 1.5 + outer / 2', values)).toBe(4.5)
    expect(sumValue('outer - 9', values)).toBe(-6)
    fc.assert(
      fc.property(fc.nat(40), fc.nat(40), fc.nat(40), (a, b, c) => {
        expect(sumValue(`${a} + ${b} * ${c} - ${b}`, values)).toBe(a + b * c - b)
      }),
    )
  })

  it('is none where it names what is not there, another sum, or makes no sense', () => {
    for (const text of ['', 'outer -', 'nowhere', 'inner + 1', 'outer main', '1 / 0', 'outer ( main )', '- main'])
      expect(sumValue(text, values), text).toBeNull()
  })

  it('follows what is in it, and goes by other names when they do', () => {
    const thin = summed({ ...values, weights: [{ name: 'main', value: 1.5 }, values.weights[1]!] })
    expect(thin.radii).toEqual([values.radii[0], { ...values.radii[1], value: 1.5 }])
    expect(renamedSum('outer - main', (name) => (name === 'main' ? 'thick' : name))).toBe('outer - thick')
  })

  it('is held to its word in a file', () => {
    const radii = [
      { name: 'outer', value: 2 },
      { name: 'inner', value: 1, sum: 'outer - fine' },
    ]
    expect(Rules.safeParse({ ...SAMPLE_RULES, radii }).error?.issues[0]!.message).toBe(
      'The radius “inner” is defined as “outer - fine”, which is 0.5, not 1.',
    )
    expect(Rules.safeParse({ ...SAMPLE_RULES, radii: [radii[0], { ...radii[1], value: 0.5 }] }).success).toBe(true)
  })
})
