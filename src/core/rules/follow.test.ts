import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../formats/set-file'
import { applyEdit } from '../set/edit'
import { setProblems } from '../set/set'
import { unknownCheck } from '../checks/known'
import { differences, followed, isSameLeader, withOwn } from './follow'
import { Rules } from './rules'

const quayside = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const solid = readSetFile(readFileSync('demo/quayside-solid.wisesquare.json', 'utf8')).set!

/** Any change of a rule book. */
const changes: fc.Arbitrary<(rules: Rules) => Rules> = fc
  .tuple(
    fc.constantFrom('main', 'fine', 'outer', 'round'),
    fc.integer({ min: 2, max: 12 }),
    fc.constantFrom<'cap' | 'none'>('cap', 'none'),
    fc.boolean(),
  )
  .map(([name, half, cap, drops]) => (rules: Rules): Rules => {
    const numbered = <T extends { name: string; value: number }>(list: readonly T[]) =>
      list.map((one) => (one.name === name ? { ...one, value: half / 2 } : one))
    return {
      ...rules,
      weights: numbered(rules.weights),
      radii: numbered(rules.radii),
      ...(cap === 'cap' && { cap: 'square' as const }),
      ...(drops && { gap: undefined }),
    }
  })

describe('rules that follow those of another set', () => {
  it('are those but for what is their own, whatever changes there', () => {
    fc.assert(
      fc.property(changes, (change) => {
        const leader = change(quayside.rules)
        const next = followed(leader, solid.rules)
        expect(Rules.safeParse(next).success).toBe(true)
        const differing = differences(leader, next).filter((key) => key !== 'follows')
        for (const key of differing) expect(solid.rules.follows!.own).toContain(key)
        // Once is enough.
        expect(differences(followed(leader, next), next)).toEqual([])
        // The drawings still have all that they refer to.
        const set = applyEdit(solid, { kind: 'rules', rules: next, renames: [], isFollowing: true })
        expect(setProblems(set)).toEqual([])
        expect(set.rules.follows).toEqual(solid.rules.follows)
      }),
    )
  })

  it('stay without what was taken out here, and know a leader by its id whatever it is called', () => {
    const fine = (rules: Rules) => rules.weights.some(({ name }) => name === 'fine')
    const without = { ...solid.rules, weights: solid.rules.weights.filter(({ name }) => name !== 'fine') }
    expect([fine(quayside.rules), fine(solid.rules)]).toEqual([true, true])
    const next = withOwn(solid.rules, without)
    expect(next.follows!.own).toContain('weights/fine')
    expect(fine(followed(quayside.rules, next))).toBe(false)
    const led = (set: string, id?: string) => ({ set, own: [], ...(id && { id }) })
    expect([
      isSameLeader(led('Quay', 'a'), led('Mole', 'a')),
      isSameLeader(led('Quay', 'a'), led('Quay', 'b')),
      isSameLeader(led('Quay'), led('Quay', 'b')),
    ]).toEqual([true, false, true])
  })

  it('name nothing that there is not: in a sentence', () => {
    const refused = (rules: object) => Rules.safeParse({ ...solid.rules, ...rules }).error?.issues[0]?.message
    expect(refused({ follows: { set: 'Quayside', own: ['weights/main', 'colour'] } })).toBe(
      'Rules have no “colour” that could be their own.',
    )
    expect(unknownCheck({ checks: { 'off-pixel': 'off', 'off-piste': 'error' } })).toBe(
      'There is no check “off-piste”, which the rules name.',
    )
    expect(refused({ radii: [{ name: 'outer', value: 1, sum: 'main - 5' }] })).toBe(
      'The radius “outer” would be -3 by “main - 5”: a radius cannot be below 0.',
    )
  })

  it('own from then on what is changed here, and nothing that follows', () => {
    fc.assert(
      fc.property(changes, (change) => {
        const after = change(solid.rules)
        const { own } = withOwn(solid.rules, after).follows!
        expect(own).toEqual([...new Set([...solid.rules.follows!.own, ...differences(solid.rules, after)])].sort())
        const { rules } = applyEdit(solid, { kind: 'rules', rules: after, renames: [] })
        expect(rules.follows!.own).toEqual(own)
        expect(followed(quayside.rules, rules).weights).toEqual(
          quayside.rules.weights.map((one) =>
            own.includes(`weights/${one.name}`) ? after.weights.find(({ name }) => name === one.name) : one,
          ),
        )
      }),
    )
  })
})
