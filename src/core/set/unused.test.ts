import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { readSetFile } from '../formats/set-file'
import { LISTS } from '../rules/lists'
import { type IconSet, setProblems } from './set'
import { unusedValues } from './unused'

describe('named values that nothing refers to', () => {
  it('can all be taken out of the rules, and no others can', () => {
    for (const file of ['quayside', 'quayside-solid', 'skerry-app']) {
      const set = readSetFile(readFileSync(`demo/${file}.wisesquare.json`, 'utf8')).set!
      const unused = unusedValues(set)
      const without = (kind: keyof typeof LISTS, name: string): IconSet => ({
        ...set,
        rules: { ...set.rules, [LISTS[kind]]: set.rules[LISTS[kind]]!.filter((one) => one.name !== name) },
      })
      for (const { kind, name } of unused) expect(setProblems(without(kind, name)), `${kind} ${name}`).toEqual([])
      if (set.rules.follows) continue
      for (const kind of ['weight', 'swatch', 'plate', 'part'] as const)
        for (const { name } of set.rules[LISTS[kind]] ?? []) {
          if (unused.some((one) => one.kind === kind && one.name === name)) continue
          const held = JSON.stringify({ icons: set.icons, rules: { ...set.rules, [LISTS[kind]]: [] } })
          expect(held, `${kind} ${name}`).toContain(`"${name}"`)
        }
    }
  })

  it('are not those that another value of the rules is made of', () => {
    const rules = {
      ...SAMPLE_RULES,
      radii: [
        { name: 'outer', value: 3 },
        { name: 'lone', value: 4 },
        { name: 'inner', value: 1, sum: 'outer - main' },
      ],
    }
    const set = { name: 'Empty', kind: 'interface', rules, icons: [] } as IconSet
    const names = (kind: string) => unusedValues(set).flatMap((one) => (one.kind === kind ? [one.name] : []))
    expect(names('radius')).toEqual(['lone', 'inner'])
    expect(names('weight')).not.toContain('main')
    expect(names('swatch')).not.toContain('ink')
    expect(names('finish')).toEqual(['deck', 'sheen'])
  })
})
