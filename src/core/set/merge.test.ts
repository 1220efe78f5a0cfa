import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyDrawingEdit } from '../drawing/edit/edit'
import { DrawingObject } from '../drawing/objects/object'
import { same } from '../drawing/model/same'
import { find, mapObjects, walk } from '../drawing/objects/tree'
import { type Conflict, mergedObjects } from './merge'
import { settledConflict } from './settle'
import { runs } from '../../testing/runs'

const style = { fill: 'none', stroke: 'ink', weight: 'main' }
const box = (id: string, x: number, y: number, more: object = {}): DrawingObject =>
  ({ kind: 'rectangle', id, name: id, x, y, w: 4, h: 4, corner: 0, style, ...more }) as DrawingObject

const group = (id: string, ...members: DrawingObject[]): DrawingObject =>
  ({ kind: 'group', id, name: id, members }) as DrawingObject

/** One thing that a hand does to a drawing. */
type Act =
  | { do: 'move'; id: string; x: number }
  | { do: 'remove' | 'ungroup'; id: string }
  | { do: 'add'; id: string; at: number }
  | { do: 'group'; id: string; ids: readonly string[] }
  | { do: 'reorder'; id: string; to: number }

const BOXES = ['a', 'b', 'c', 'd', 'e']
const some = fc.constantFrom(...BOXES)
const act = (side: string): fc.Arbitrary<Act> =>
  fc.oneof(
    { weight: 3, arbitrary: fc.record({ do: fc.constant('move' as const), id: some, x: fc.nat(3) }) },
    fc.record({ do: fc.constant('remove' as const), id: fc.constantFrom(...BOXES, 'g', `${side}g`) }),
    fc.record({ do: fc.constant('ungroup' as const), id: fc.constantFrom('g', `${side}g`) }),
    fc.record({ do: fc.constant('add' as const), id: fc.constantFrom(`${side}1`, `${side}2`), at: fc.nat(6) }),
    fc.record({
      do: fc.constant('group' as const),
      id: fc.constantFrom(`${side}g`, `${side}h`),
      ids: fc.subarray(BOXES, { minLength: 1, maxLength: 3 }),
    }),
    fc.record({ do: fc.constant('reorder' as const), id: some, to: fc.nat(5) }),
  )

function acted(objects: readonly DrawingObject[], one: Act): readonly DrawingObject[] {
  const here = 'id' in one ? find(objects, one.id)?.object : null
  switch (one.do) {
    case 'move':
      return mapObjects(objects, (object) => (object.id === one.id ? { ...object, x: one.x } : object))
    case 'remove':
      return mapObjects(objects, (object) => (object.id === one.id ? null : object))
    case 'ungroup':
      return applyDrawingEdit(objects, { kind: 'loosen', id: one.id })
    case 'add':
      return here ? objects : objects.toSpliced(one.at, 0, box(one.id, 9, 9))
    case 'group': {
      const members = objects.filter(({ id }) => one.ids.includes(id))
      if (here || members.length === 0) return objects
      return [...objects.filter((object) => !members.includes(object)), group(one.id, ...members)]
    }
    case 'reorder': {
      if (!objects.includes(here!)) return objects
      return objects.filter((object) => object !== here).toSpliced(one.to, 0, here!)
    }
  }
}

const acts = (side: string) => fc.array(act(side), { maxLength: 6 })
const start: readonly DrawingObject[] = [
  box('a', 0, 0),
  group('g', box('b', 1, 1), group('inner', box('c', 2, 2)), box('d', 3, 3)),
  box('e', 4, 4),
]
const drawings = acts('f').map((list) => list.reduce(acted, start))
const changed = (from: readonly DrawingObject[], list: readonly Act[]) => list.reduce(acted, from)
const idsOf = (list: readonly DrawingObject[]) => [...walk(list)].map(({ object }) => object.id)
const byObject = (list: readonly Conflict[]) => [...list].sort((a, b) => (a.object + a.key < b.object + b.key ? -1 : 1))

describe('a drawing that was changed on two sides', () => {
  it('is as either side has it where the other did nothing', () => {
    fc.assert(
      fc.property(drawings, acts('m'), (from, list) => {
        const other = changed(from, list),
          copy = structuredClone(from) as DrawingObject[]
        expect(mergedObjects(from, other, copy)).toMatchObject({ objects: other, conflicts: [] })
        expect(mergedObjects(from, copy, other)).toMatchObject({ objects: other, conflicts: [] })
      }),
      runs(600),
    )
  })

  it('holds no id twice, and everything that is new or was changed on either side, wherever it was put', () => {
    fc.assert(
      fc.property(drawings, acts('m'), acts('t'), (from, some, others) => {
        const [mine, theirs] = [changed(from, some), changed(from, others)]
        const { objects, from: base } = mergedObjects(from, mine, theirs, 'comes back')
        for (const list of [objects, base]) {
          expect(new Set(idsOf(list)).size).toBe(idsOf(list).length)
          expect(DrawingObject.array().safeParse(list).success).toBe(true)
        }
        for (const [side, other] of [
          [mine, theirs],
          [theirs, mine],
        ] as const) {
          for (const { object } of walk(side)) {
            const was = find(from, object.id)?.object
            if (object.kind === 'group' || same(was, object)) continue
            const isTheirs = side === theirs && !same(find(other, object.id)?.object, was)
            if (!isTheirs || !find(other, object.id)) expect(find(objects, object.id)?.object).toEqual(object)
          }
        }
      }),
      runs(600),
    )
  })

  it('comes to the same when it is merged again, and has no conflict left once each is settled', () => {
    fc.assert(
      fc.property(drawings, acts('m'), acts('t'), fc.boolean(), (from, some, others, isMine) => {
        const [mine, theirs] = [changed(from, some), changed(from, others)]
        let next = mergedObjects(from, mine, theirs)
        const again = mergedObjects(next.from, next.objects, theirs)
        expect(again.objects).toEqual(next.objects)
        expect(byObject(again.conflicts)).toEqual(byObject(next.conflicts))
        for (let i = 0; i < 20 && next.conflicts.length > 0; i++) {
          const one = settledConflict(next, theirs, next.conflicts[0]!, isMine ? 'mine' : 'theirs')
          next = mergedObjects(one.from, one.objects, theirs)
        }
        expect(next.conflicts).toEqual([])
      }),
      runs(600),
    )
  })

  it('keeps what was moved here in the group that it was put into there', () => {
    expect(mergedObjects([box('a', 1, 1)], [box('a', 1, 3)], [group('g', box('a', 2, 1))])).toMatchObject({
      objects: [group('g', box('a', 2, 3))],
      conflicts: [],
    })
  })

  it('takes single numbers from both, and asks where both changed one', () => {
    const from = [box('a', 1, 1), box('b', 5, 5)],
      mine = [box('a', 1, 3), box('b', 6, 5)],
      theirs = [box('a', 2, 1), box('b', 7, 5), box('c', 9, 9)]
    const { objects, conflicts } = mergedObjects(from, mine, theirs)
    expect(objects).toEqual([box('a', 2, 3), box('b', 6, 5), box('c', 9, 9)])
    expect(conflicts).toEqual([{ object: 'b', name: 'b', key: 'x', mine: 6, theirs: 7 }])
  })

  it('merges nodes one by one while there are as many, and members within what holds them', () => {
    const path = (...xs: number[]): DrawingObject =>
      ({
        kind: 'path',
        id: 'p',
        name: 'p',
        corner: 0,
        style,
        contours: [{ closed: false, nodes: xs.map((x) => ({ x, y: 0 })) }],
      }) as DrawingObject
    const { objects, conflicts } = mergedObjects(
      [group('g', path(0, 1, 2), box('a', 0, 0))],
      [group('g', path(0, 1, 5), box('a', 0, 0))],
      [group('g', path(3, 1, 2))],
    )
    expect(conflicts).toEqual([])
    expect(objects).toEqual([group('g', path(3, 1, 5))])
  })
})
