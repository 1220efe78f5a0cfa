import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { noDirection } from '../checks/family/no-direction'
import { readSetFile, writeSetFile } from '../formats/set-file'
import { balanceOfIcon } from '../proof/balance'
import { rightToLeft, standsFor } from './direction'
import { applyEdit } from './edit'
import { aliasedEdit, directedEdit, taggedEdit } from './many'
import { mergedSet } from './merge-set'
import type { IconSet } from './set'

const demo = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
/** The demo set, not set of any icon. */
const set = applyEdit(demo, directedEdit(demo.icons, undefined))
const [ferry, dinghy] = set.icons
const said = (to: IconSet) => to.icons.map(({ rtl }) => rtl).filter((one) => one !== undefined)

describe('what becomes of an icon right to left', () => {
  it('stays said when anything else is, in the file, and until it is taken back', () => {
    const directed = applyEdit(set, directedEdit(set.icons.slice(0, 3), 'mirrored'))
    const tagged = applyEdit(directed, taggedEdit(directed.icons, ['sea'], []))
    const named = applyEdit(tagged, aliasedEdit(tagged.icons, ['boat']))
    expect(said(named)).toEqual(['mirrored', 'mirrored', 'mirrored'])
    expect(readSetFile(writeSetFile(named, {})).set).toEqual(named)
    const back = applyEdit(directed, directedEdit(directed.icons, undefined))
    expect(back.icons).toEqual(set.icons)
  })

  it('is merged with what another window says of the icon', () => {
    const here = applyEdit(set, directedEdit([ferry!], 'kept')),
      there = applyEdit(set, taggedEdit([ferry!], ['sea'], []))
    const { set: both, conflicts } = mergedSet(set, here, there)
    expect(both.icons[0]).toMatchObject({ rtl: 'kept', tags: expect.arrayContaining(['sea']) as string[] })
    expect(conflicts).toEqual([])
    expect(mergedSet(set, here, applyEdit(set, directedEdit([ferry!], 'mirrored'))).conflicts).toHaveLength(1)
  })

  it('is its mirror image, itself, or another icon while that is there', () => {
    const { icons } = applyEdit(set, directedEdit([ferry!], { icon: dinghy!.id }))
    expect(rightToLeft(icons[0]!, icons)).toEqual({ icon: dinghy, isMirrored: false })
    expect(standsFor(dinghy!, icons)).toEqual([icons[0]])
    const gone = icons.filter(({ id }) => id !== dinghy!.id)
    expect(rightToLeft(icons[0]!, gone)).toEqual({ icon: icons[0], isMirrored: false })
    expect(rightToLeft(applyEdit(set, directedEdit([ferry!], 'mirrored')).icons[0]!, icons).isMirrored).toBe(true)
  })

  it('is missed of an arrow to one side that says nothing, and of nothing else', () => {
    const departure = set.icons.find(({ name }) => name === 'departure')!
    const balance = balanceOfIcon(departure, set.rules)
    const found = (name: string, more: object = {}) =>
      noDirection.find([{ id: 'x', name, balance, ...more }], set.rules, [])
    expect([...found('arrow-right').keys()]).toEqual(['x'])
    expect([...found('goTo', { tags: ['next'] }).keys()]).toEqual(['x'])
    expect(found('departure').size).toBe(0)
    expect(found('arrow-right', { rtl: 'kept' }).size).toBe(0)
    // A ring by that name points nowhere.
    const upright = balanceOfIcon(
      set.icons.find(({ name }) => name === 'life-ring')!,
      set.rules,
    )
    expect(noDirection.find([{ id: 'x', name: 'arrow', balance: upright }], set.rules, []).size).toBe(0)
  })
})
