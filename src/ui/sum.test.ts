import { describe, expect, it } from 'vitest'
import { figure, sum } from './sum'

describe('typed sums', () => {
  it('come to what they say', () => {
    for (const [text, value] of [
      ['24/2-1', 11],
      ['2*(3+4)', 14],
      ['1,5', 1.5],
      ['-4', -4],
      [' 3 × 2 ', 6],
      ['.5+.25', 0.75],
      ['10/4/5', 0.5],
    ] as const)
      expect(sum(text, 7), text).toBe(value)
  })
  it('go on from the number that is there when they begin with an operator', () => {
    expect(sum('+0.5', 7)).toBe(7.5)
    expect(sum('*2', -3)).toBe(-6)
    expect(sum('/2', 7)).toBe(3.5)
    expect(sum('+2', null)).toBe(2)
  })
  it('are refused when they make no sense', () => {
    for (const text of ['', 'abc', '1/0', '2+', '(1', '1 2)', '--', '1..2']) expect(sum(text, 1), text).toBeNull()
  })
  it('are shown with three digits at most', () => {
    expect([figure(1.23456), figure(-2), figure(-0.0001), figure(8)]).toEqual(['1.235', '−2', '0', '8'])
  })
})
