import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { DrawingObject } from '../drawing/objects/object'
import { iconOf as icon, smallBox as box } from '../../testing/samples'
import { find, walk } from '../drawing/objects/tree'
import { starter } from '../rules/starters'
import { changeBetween, moved, withSide } from './change'
import { applyEdit, type SetEdit } from './edit'
import { mergedSet } from './merge-set'
import { IconSet, setProblems } from './set'
import { settledIn } from './settle-set'
import { runs } from '../../testing/runs'

const rules = starter('interface-24')?.rules ?? starter('interface')!.rules
const pier: IconSet = {
  name: 'Pier',
  kind: 'interface',
  rules: { ...rules, masters: [{ base: 16 }] },
  icons: [icon('oar', box('a', 1), box('b', 2)), icon('buoy', box('a', 3)), icon('ferry')],
}

const OTHER = pier.rules.weights.at(-1)!.name
const someIcon = fc.constantFrom('oar', 'buoy', 'ferry')
const draw = (icon: string, edit: Extract<SetEdit, { kind: 'draw' }>['edit'], master = 24): SetEdit => ({
  kind: 'draw',
  icon,
  master,
  edit,
})

/** An edit by a hand, given the set it is done to and a number of its own. */
type Hand = (set: IconSet, n: string) => SetEdit
const hand: fc.Arbitrary<Hand> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.tuple(someIcon, fc.constantFrom('main', OTHER), fc.constantFrom(24, 24, 16)).map(
      ([id, weight, master]): Hand =>
        (set, n) =>
          draw(
            id,
            { kind: 'add', objects: [box(n, 5, hasWeight(set, weight) ? weight : 'main')], into: null, at: 0 },
            onIts(set, master),
          ),
    ),
  },
  {
    weight: 3,
    arbitrary: fc
      .tuple(someIcon, fc.constantFrom('a', 'b'), fc.integer({ min: 0, max: 9 }), fc.constantFrom(24, 16))
      .map(([id, object, x, master]): Hand => (set) => {
        const base = onIts(set, master)
        const one = set.icons.find((one) => one.id === id)?.masters.find((one) => one.base === base)
        const was = one && find(one.objects, object)?.object
        return draw(id, { kind: 'replace', objects: was ? [{ ...was, x } as DrawingObject] : [] }, base)
      }),
  },
  fc.tuple(someIcon, fc.constantFrom('a', 'b')).map(
    ([id, object]): Hand =>
      (set) =>
        draw(id, { kind: 'remove', ids: [object] }, onIts(set, 24)),
  ),
  someIcon.map((id): Hand => () => ({ kind: 'remove-icons', ids: [id] })),
  fc.integer({ min: 0, max: 3 }).map((at): Hand => (set, n) => ({
    kind: 'add-icons',
    icons: [{ ...icon(n), masters: [{ base: set.rules.grid.size, objects: [] }] }],
    at,
  })),
  fc.tuple(someIcon, fc.constantFrom('mole', 'quay', 'oar', 'buoy')).map(
    ([id, name]): Hand =>
      (set) =>
        set.icons.some((one) => one.name === name) ? none : { kind: 'rename-icon', id, name },
  ),
  fc.tuple(someIcon, fc.nat(3)).map(([id, to]): Hand => () => ({ kind: 'move-icon', id, to })),
  fc
    .tuple(someIcon, fc.subarray(['water', 'sign', 'boat']))
    .map(([id, tags]): Hand => () => ({ kind: 'labels', labels: [{ id, tags }] })),
  fc.constantFrom('Mole', 'Quay').map((name): Hand => () => ({ kind: 'rename-set', name })),
  fc
    .constantFrom<IconSet['rules']['cap']>('butt', 'square')
    .map((cap): Hand => (set) => ({ kind: 'rules', rules: { ...set.rules, cap }, renames: [] })),
  fc.constantFrom(1, 1.5, 3).map((value): Hand => (set) => ({
    kind: 'rules',
    rules: { ...set.rules, weights: set.rules.weights.map((one, i) => (i === 0 ? { ...one, value } : one)) },
    renames: [],
  })),
  fc.constant<Hand>((set) => {
    const used = set.icons.some(({ masters }) => JSON.stringify(masters).includes(`"${OTHER}"`))
    const weights = set.rules.weights.filter(({ name }) => name !== OTHER)
    return used || weights.length === 0 ? none : { kind: 'rules', rules: { ...set.rules, weights }, renames: [] }
  }),
  fc.constant<Hand>((set) => ({
    kind: 'rules',
    rules: { ...set.rules, grid: { ...set.rules.grid, size: 32 } },
    renames: [],
    drawings: 'fitted',
  })),
)
const none: SetEdit = { kind: 'all', edits: [] }
const hasWeight = (set: IconSet, weight: string) => set.rules.weights.some(({ name }) => name === weight)
const onIts = (set: IconSet, master: number) => (master === 16 ? 16 : set.rules.grid.size)

const hands = fc.array(hand, { maxLength: 5 })
const after = (set: IconSet, list: readonly Hand[], side: string): IconSet =>
  list.reduce((now, one, i) => applyEdit(now, one(now, `${side}-${i}`)), set)
const idsOf = (set: IconSet) =>
  set.icons.flatMap((one) => one.masters.flatMap(({ objects }) => [...walk(objects)].map(({ object }) => object.id)))
const plain = (set: IconSet) => JSON.parse(JSON.stringify(set)) as IconSet

describe('a change', () => {
  it('is taken back and done again exactly; where others were made since, as a merge has it', () => {
    let alone = 0
    fc.assert(
      fc.property(hands, hands, hands, (before, list, since) => {
        const from = after(pier, before, 'f'),
          to = after(from, list, 'm'),
          now = after(to, since, 's'),
          change = changeBetween(from, to)
        if (!change) return
        if (now === to) alone++
        expect(moved(to, change, 'from')).toEqual(from)
        expect(moved(from, change, 'to')).toEqual(to)
        const start = withSide(now, change, 'to')
        expect(plain(moved(now, change, 'from'))).toEqual(
          plain(mergedSet(start, now, withSide(start, change, 'from')).set),
        )
      }),
      runs(250),
    )
    expect(alone).toBeGreaterThan(0)
  })
})

describe('a set that was changed on two sides', () => {
  it('is as either side has it where the other did nothing', () => {
    fc.assert(
      fc.property(hands, hands, (before, list) => {
        const from = after(pier, before, 'f'),
          other = after(from, list, 'm')
        expect(plain(mergedSet(from, other, plain(from)).set)).toEqual(plain(other))
        expect(plain(mergedSet(from, plain(from), other).set)).toEqual(plain(other))
      }),
      runs(250),
    )
  })

  it('is in order, and holds what either side drew; no conflict is left once each is settled', () => {
    fc.assert(
      fc.property(hands, hands, hands, fc.boolean(), (before, some, others, isMine) => {
        const from = after(pier, before, 'f'),
          mine = after(from, some, 'm'),
          theirs = after(from, others, 't')
        expect([setProblems(from), setProblems(mine), setProblems(theirs)]).toEqual([[], [], []])
        let next = mergedSet(from, mine, theirs)
        expect(IconSet.safeParse(plain(next.set)).error).toBeUndefined()
        expect(setProblems(next.set)).toEqual([])
        const there = new Set(idsOf(next.set))
        // A whole icon that cannot be merged stays as it is here until it is settled.
        if (!next.conflicts.some(({ key }) => key === 'all')) {
          for (const id of [...idsOf(mine), ...idsOf(theirs)])
            if (/^[mt]-/.test(id) && !(id in {})) expect(there).toContain(id)
        }
        const again = mergedSet(next.base, next.set, theirs)
        expect(plain(again.set)).toEqual(plain(next.set))
        for (let i = 0; i < 30 && next.conflicts.length > 0; i++) {
          const one = settledIn(next, theirs, next.conflicts[0]!, isMine ? 'mine' : 'theirs')
          next = mergedSet(one.base, one.set, theirs)
        }
        expect(next.conflicts).toEqual([])
        expect(setProblems(next.set)).toEqual([])
      }),
      runs(400),
    )
  })

  it('gives a name that both sides took to the one that was saved first', () => {
    const named = (id: string) => applyEdit(pier, { kind: 'rename-icon', id, name: 'gamma' })
    const { set } = mergedSet(pier, named('oar'), named('buoy'))
    expect(set.icons.map(({ name }) => name)).toEqual(['gamma-2', 'gamma', 'ferry'])
  })

  it('keeps an icon that one side deleted and the other drew on', () => {
    const drawn = applyEdit(pier, draw('oar', { kind: 'add', objects: [box('new', 7)], into: null, at: 0 })),
      deleted = applyEdit(pier, { kind: 'remove-icons', ids: ['oar'] })
    for (const [mine, theirs] of [
      [drawn, deleted],
      [deleted, drawn],
    ] as const)
      expect(idsOf(mergedSet(pier, mine, theirs).set)).toContain('new')
  })
})
