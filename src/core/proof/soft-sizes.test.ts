import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../formats/set-file'
import type { Rules } from '../rules/rules'
import { crispnessBySize } from './crispness-by-size'
import { softSentence, softSizes } from './soft-sizes'

const { rules, icons } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const soft = (under: Rules) =>
  softSizes(
    icons.slice(0, 12).map((icon) => crispnessBySize(icon, under)),
    under,
  )

describe('sizes with soft edges', () => {
  it('are those that no master is drawn for, and are none once one is', () => {
    expect(rules.sizes).toEqual(expect.arrayContaining([16, 20, 24, 48]))
    const sizes = soft(rules).map(({ size }) => size)
    expect(sizes).toContain(20)
    for (const crisp of [16, 24, 48]) expect(sizes).not.toContain(crisp)
    const masters = [...(rules.masters ?? []), { base: 20 }].sort((a, b) => a.base - b.base)
    expect(soft({ ...rules, masters }).map(({ size }) => size)).not.toContain(20)
    expect(softSentence(soft(rules))).toMatch(/^Most straight edges .* 20 px \(from 24, \d+\u00a0%\).*\.$/)
  })
})
