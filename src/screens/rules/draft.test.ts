import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { iconSvg } from '@/core/picture/drawn'
import { readSetFile } from '@/core/formats/set-file'
import { applyEdit } from '@/core/set/edit'
import { type IconSet, setProblems } from '@/core/set/set'
import { runs } from '@/testing/runs'
import { boxIcon, iconOf, smallBox } from '@/testing/samples'
import { type Draft, draftOf, noted, outcome as outcomeUnder, ruled } from './draft'

const { set } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8'))
const quayside = set!
const draft = draftOf(quayside.rules)

/** What a draft comes to, from its rules to the set under them. */
function outcome(one: Draft, from: IconSet) {
  const under = ruled(one, from.rules)
  return under.ok ? { ...under, ...outcomeUnder(under, from) } : under
}

describe('a draft that follows another set', () => {
  const weighing = (one: Draft, value: number): Draft => ({
    ...one,
    weights: one.weights.map((weight, i) => (i === 0 ? { ...weight, value } : weight)),
  })
  const key = `weights/${draft.weights[0]!.name}`
  const own = (one: Draft) => {
    const under = ruled(one, quayside.rules)
    return under.ok && under.rules.follows!.own
  }
  const chosen: Draft = { ...draft, follows: { set: 'Leader', id: 'l', own: ['cap', key] } }

  it('keeps what is let follow before the first Apply, and what is changed by hand after that', () => {
    const released = noted(chosen, { ...weighing(chosen, 1.25), follows: { ...chosen.follows!, own: ['cap'] } })
    expect(own(released)).toEqual(['cap'])
    expect(own(noted(released, { ...released, liveArea: 20 }))).toEqual(['cap', 'liveArea'])
    expect(own(noted(released, weighing(released, 3)))).toEqual(['cap', key])
  })

  it('has nothing of its own that was changed and changed back', () => {
    const followed = { ...quayside, rules: { ...quayside.rules, follows: { set: 'Leader', id: 'l', own: [] } } }
    const start = draftOf(followed.rules),
      there = noted(start, weighing(start, 3)),
      back = noted(there, weighing(there, start.weights[0]!.value))
    const ownOf = (one: Draft) => {
      const under = ruled(one, followed.rules)
      return under.ok && under.rules.follows!.own
    }
    expect(ownOf(there)).toEqual([key])
    expect(ownOf(back)).toEqual([])
  })
})

describe('a change of the rules', () => {
  it('of names is refused if and only if some drawing is left with a name that is not there', () => {
    const names = fc.array(
      fc.record({
        list: fc.constantFrom('weights' as const, 'radii' as const),
        at: fc.nat(6),
        to: fc.constantFrom(null, null, null, 'main', 'outer', 'mole'),
      }),
      { minLength: 1, maxLength: 3 },
    )
    // Without parts, plates and finishes, which name values too and are looked at before.
    const { parts: _, plates: __, finishes: ___, ...plain } = quayside.rules
    const book = { ...plain, weights: [...plain.weights, { name: 'hairline', value: 0.5 }] }
    const [first, ...rest] = plain.weights
    const pier: IconSet = {
      ...quayside,
      rules: book,
      icons: [boxIcon('quay'), iconOf('mole', smallBox('a', 3, rest.at(-1)!.name), smallBox('b', 9, first!.name))],
    }
    const counts = { refused: 0, taken: 0 }
    fc.assert(
      fc.property(names, (changes) => {
        const next = changes.reduce<Draft>((one, { list, at, to }) => {
          const values = one[list].flatMap((value, i) =>
            i !== at % one[list].length ? [value] : to === null ? [] : [{ ...value, name: to }],
          )
          return { ...one, [list]: values }
        }, draftOf(pier.rules))
        const under = ruled(next, pier.rules)
        if (!under.ok) return
        const result = outcomeUnder(under, pier)
        const { rules, renames } = under
        const problems = setProblems(applyEdit(pier, { kind: 'rules', rules, renames }))
        expect(result.ok).toBe(problems.length === 0)
        if (!result.ok) expect(result.sentence).toBe(problems[0])
        counts[result.ok ? 'taken' : 'refused']++
      }),
      runs(100),
    )
    expect(counts.refused).toBeGreaterThan(5)
    expect(counts.taken).toBeGreaterThan(5)
  })

  it('that changes nothing comes to the same rules', () => {
    const result = outcome(draft, quayside)
    expect(result.ok && result.rules).toEqual(quayside.rules)
    expect(result.ok && result.renames).toEqual([])
  })

  it('reaches every icon that refers to what changed, and no other', () => {
    const fine = outcome(
      { ...draft, weights: draft.weights.map((weight) => (weight.name === 'fine' ? { ...weight, value: 1 } : weight)) },
      quayside,
    )
    const inner = outcome(
      { ...draft, radii: draft.radii.map((radius) => (radius.name === 'inner' ? { ...radius, value: 0 } : radius)) },
      quayside,
    )
    if (!fine.ok || !inner.ok) throw new Error('Both can be applied.')
    const changed = (after: typeof quayside) =>
      quayside.icons
        .filter((icon, i) => iconSvg(icon, quayside.rules, 'light') !== iconSvg(after.icons[i]!, after.rules, 'light'))
        .map(({ name }) => name)
    const users = (name: string) =>
      quayside.icons
        .filter((icon) => {
          const text = JSON.stringify(icon)
          const parts = quayside.rules.parts!.filter((part) => text.includes(`"part":"${part.name}"`))
          return new RegExp(`"(?:corner|radius|weight)":"${name}"`).test(text + JSON.stringify(parts))
        })
        .map((icon) => icon.name)
    expect(changed(fine.set)).toEqual(users('fine'))
    expect(changed(inner.set)).toEqual(users('inner'))
  })

  it('of two names that change places keeps every drawing as it looks', () => {
    const swap = (name: string) => ({ outer: 'inner', inner: 'outer' })[name] ?? name
    const result = outcome(
      { ...draft, radii: draft.radii.map((radius) => ({ ...radius, name: swap(radius.name) })) },
      quayside,
    )
    if (!result.ok) throw new Error(result.sentence)
    result.set.icons.forEach((icon, i) =>
      expect(iconSvg(icon, result.rules, 'light')).toBe(iconSvg(quayside.icons[i]!, quayside.rules, 'light')),
    )
  })

  it('renames swatches and gradients all through: in stops, in the palette’s gradients, and every icon looks as before', () => {
    const app = readSetFile(readFileSync('demo/skerry-app.wisesquare.json', 'utf8')).set!,
      own = draftOf(app.rules)
    const result = outcome(
      {
        ...own,
        palette: own.palette.map((swatch) => (swatch.name === 'glass' ? { ...swatch, name: 'pane' } : swatch)),
        gradients: own.gradients.map((one) => ({ ...one, name: `${one.name}-2` })),
      },
      app,
    )
    if (!result.ok) throw new Error(result.sentence)
    expect(JSON.stringify(result.set)).not.toMatch(/"(glass|sea-glass|brass-rim)"/)
    app.icons.forEach((icon, i) =>
      expect(iconSvg(result.set.icons[i]!, result.rules, 'light')).toBe(iconSvg(icon, app.rules, 'light')),
    )
    const gone = outcome({ ...own, gradients: [] }, app)
    expect(!gone.ok && gone.sentence).toBe(
      'Icon “porthole”, object “Rim” uses the gradient “brass-rim”, which the rules do not have.',
    )
    const lost = outcome({ ...own, palette: own.palette.filter(({ name }) => name !== 'brass') }, app)
    expect(!lost.ok && lost.sentence).toBe(
      'The gradient “brass-rim” uses the swatch “brass”, which the palette does not have.',
    )
  })

  it('that cannot be says where and why', () => {
    const wrong = outcome({ ...draft, liveArea: 30, sizes: [16, 0] }, quayside)
    expect(wrong.ok).toBe(false)
    if (wrong.ok) return
    expect(wrong.problems.get('sizes.1')).toBe('A size must be at least 1 pixel.')
    const bare = { ...draft, parts: [] },
      icons = quayside.icons.filter((icon) => !JSON.stringify(icon).includes('"placement"'))
    const unused = outcome(
      { ...bare, weights: draft.weights.filter(({ name }) => name !== 'fine') },
      { ...quayside, icons: icons.filter((icon) => !JSON.stringify(icon).includes('"fine"')) },
    )
    expect(unused.ok).toBe(true)
    const used = outcome(
      { ...bare, weights: draft.weights.filter(({ name }) => name !== 'main') },
      { ...quayside, icons },
    )
    expect(!used.ok && used.sentence).toBe(
      'Icon “ferry”, object “Hull” uses the weight “main”, which the rules do not have.',
    )
    const twice = outcome(
      { ...draft, palette: [...draft.palette, { name: 'ink', color: '#000000', was: null }] },
      quayside,
    )
    expect(!twice.ok && twice.sentence).toBe('Two swatches are named “ink”.')
  })
})
