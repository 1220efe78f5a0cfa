import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { iconSvg } from '../picture/drawn'
import { readSetFile, writeSetFile } from '../formats/set-file'
import { applyEdit, type SetEdit } from './edit'
import { nameBy, platedEdit, recolouredEdit, renamedEdit, taggedEdit, weightedEdit, wordsOf } from './many'
import { setProblems } from './set'

const { set: quayside } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8'))
const { set: app } = readSetFile(readFileSync('demo/skerry-app.wisesquare.json', 'utf8'))
const set = quayside!
const some = set.icons.slice(0, 6)
const names = (edit: SetEdit) =>
  applyEdit(set, edit)
    .icons.slice(0, 6)
    .map(({ name }) => name)

describe('many icons changed together', () => {
  it('are renamed by a pattern, never to a name that is taken or no name', () => {
    expect(nameBy('sea-*-##', 'buoy', 7)).toBe('sea-buoy-07')
    expect(names(renamedEdit(set, some, 'sea-*') as SetEdit)).toEqual(some.map(({ name }) => `sea-${name}`))
    expect(names(renamedEdit(set, some, 'icon-##') as SetEdit)).toEqual(some.map((_, i) => `icon-0${i + 1}`))
    expect(renamedEdit(set, some, 'same')).toMatch(/has a \* for the name/)
    expect(renamedEdit(set, [some[0]!], set.icons[9]!.name)).toBe(`Two icons would be named “${set.icons[9]!.name}”.`)
    expect(renamedEdit(set, some, '*/x')).toMatch(/cannot be used/)
    // Names that only change places are free.
    expect(setProblems(applyEdit(set, renamedEdit(set, some, '*') as SetEdit))).toEqual([])
  })

  it('get tags and lose them, and both stay in the file of the set', () => {
    const tagged = applyEdit(set, taggedEdit(some, wordsOf('sea, harbour ,sea,'), []))
    const read = readSetFile(writeSetFile(tagged, {})).set!
    expect(read.icons.slice(0, 7).map(({ tags }) => tags)).toEqual([...some.map(() => ['sea', 'harbour']), undefined])
    const less = applyEdit(tagged, taggedEdit(tagged.icons, [], ['sea', 'harbour']))
    expect(less.icons).toEqual(set.icons)
  })

  it('take another weight and another colour, all of them and no other', () => {
    const fine = applyEdit(set, weightedEdit(some, set.rules, 'fine'))
    expect(setProblems(fine)).toEqual([])
    fine.icons.forEach((icon, i) => {
      if (i >= 6) expect(icon).toBe(set.icons[i])
      else expect(iconSvg(icon, set.rules, 'light')).not.toContain('stroke-width="2"')
    })
    const to = app!.rules.palette.find(({ name }) => name === 'signal')!
    const next = applyEdit(app!, recolouredEdit(app!.icons, app!.rules, 'paper', 'signal'))
    expect(JSON.stringify(next.icons.map(({ masters }) => masters))).not.toContain('"paper"')
    expect(iconSvg(next.icons[0]!, app!.rules, 'light')).toContain(to.color)
  })

  it('get a plate, another one, and none', () => {
    const plates = app!.rules.plates!.map(({ name }) => name)
    const bare = applyEdit(
      app!,
      platedEdit(app!.icons, app!.rules, null, () => 'x'),
    )
    const kinds = (of: typeof bare) =>
      of.icons.map(({ masters }) => masters[0]!.objects.filter(({ kind }) => kind === 'plate').length)
    expect(kinds(bare)).toEqual(app!.icons.map(() => 0))
    const again = applyEdit(
      bare,
      platedEdit(bare.icons, app!.rules, plates[0]!, () => 'plate-new'),
    )
    expect(kinds(again)).toEqual(app!.icons.map(() => 1))
    expect(setProblems(again)).toEqual([])
  })
})
