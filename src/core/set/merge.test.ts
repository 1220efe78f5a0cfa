import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { DrawingObject } from '../drawing/object'
import { merged, settledConflict } from './merge'

const style = { fill: 'none', stroke: 'ink', weight: 'main' }
const box = (id: string, x: number, y: number, more: object = {}): DrawingObject =>
  ({ kind: 'rectangle', id, name: id, x, y, w: 4, h: 4, corner: 0, style, ...more }) as DrawingObject

const drawing = fc.uniqueArray(
  fc.tuple(fc.constantFrom('a', 'b', 'c', 'd', 'e'), fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })),
  { selector: ([id]) => id, maxLength: 5 },
)
const drawings = drawing.map((list) => list.map(([id, x, y]) => box(id, x, y)))
const numbersOf = (list: readonly DrawingObject[]) => JSON.stringify(list)

describe('a drawing that was changed on two sides', () => {
  it('is as either side has it where the other did nothing', () => {
    fc.assert(
      fc.property(drawings, drawings, (from, other) => {
        expect(merged(from, other, from)).toMatchObject({ objects: other, conflicts: [] })
        const followed = merged(from, from, other)
        expect(followed.conflicts).toEqual([])
        expect(numbersOf([...followed.objects].sort((a, b) => (a.id < b.id ? -1 : 1)))).toBe(
          numbersOf([...other].sort((a, b) => (a.id < b.id ? -1 : 1))),
        )
      }),
    )
  })

  it('comes to the same when it is merged again, and has no conflict left once each is settled', () => {
    fc.assert(
      fc.property(drawings, drawings, drawings, fc.boolean(), (from, mine, theirs, isMine) => {
        let next = merged(from, mine, theirs)
        const again = merged(next.from, next.objects, theirs)
        expect(again.objects).toEqual(next.objects)
        expect(again.conflicts).toEqual(next.conflicts)
        for (let i = 0; i < 20 && next.conflicts.length > 0; i++) {
          const one = settledConflict(next, theirs, next.conflicts[0]!, isMine ? 'mine' : 'theirs')
          next = merged(one.from, one.objects, theirs)
        }
        expect(next.conflicts).toEqual([])
      }),
    )
  })

  it('takes single numbers from both, and asks where both changed one', () => {
    const from = [box('a', 1, 1), box('b', 5, 5)],
      mine = [box('a', 1, 3), box('b', 6, 5)],
      theirs = [box('a', 2, 1), box('b', 7, 5), box('c', 9, 9)]
    const { objects, conflicts } = merged(from, mine, theirs)
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
    const group = (...members: DrawingObject[]): DrawingObject =>
      ({ kind: 'group', id: 'g', name: 'g', members }) as DrawingObject
    const { objects, conflicts } = merged(
      [group(path(0, 1, 2), box('a', 0, 0))],
      [group(path(0, 1, 5), box('a', 0, 0))],
      [group(path(3, 1, 2))],
    )
    expect(conflicts).toEqual([])
    expect(objects).toEqual([group(path(3, 1, 5))])
  })
})
