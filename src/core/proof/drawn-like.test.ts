import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../formats/set-file'
import { balanceOfIcon } from './balance'
import { drawnLike } from './drawn-like'

const { icons, rules } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const family = icons.map((icon) => ({ id: icon.name, balance: balanceOfIcon(icon, rules) }))
const like = (name: string) => drawnLike(family, name).map(({ id }) => id)

describe('what is drawn like an icon', () => {
  it('begins with the icon, and has next to it what a person would take for its like', () => {
    expect(like('anchor').slice(0, 2)).toEqual(['anchor', 'grapnel'])
    expect(like('high-tide').slice(0, 3)).toContain('low-tide')
    expect(like('departure').slice(0, 6)).toContain('porthole')
    expect(like('departure').length).toBeLessThan(icons.length)
    expect(like('nobody')).toEqual([])
  })
})
