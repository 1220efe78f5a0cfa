import { describe, expect, it } from 'vitest'
import { BOOK } from '../../testing/book'
import { applyDrawingEdit } from '../drawing/edit/edit'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { DrawingObject } from '../drawing/model/object'
import { snagsIn } from './snags'
import { mendsOf } from './mended'

const line = (id: string, y: number, to: number, more: object = {}): DrawingObject =>
  ({
    kind: 'line',
    id,
    name: id,
    from: { x: 3, y },
    to: { x: 21, y: to },
    style: { fill: 'none', stroke: 'ink', weight: 'main', ...more },
  }) as DrawingObject
const at = (objects: readonly DrawingObject[]) => ({ objects, rules: BOOK, scene: sceneOf(BOOK) })
const heavy = (objects: readonly DrawingObject[]) =>
  snagsIn(at(objects)).filter(({ severity, mend }) => severity !== 'note' && mend)
const after = (objects: readonly DrawingObject[]) =>
  mendsOf(at(objects), []).reduce<readonly DrawingObject[]>(applyDrawingEdit, objects)

describe('mending all at once', () => {
  it('leaves nothing that could be mended, and what is in order as it is', () => {
    const slips = [
      line('a', 6, 6.4),
      line('b', 12, 12, { weight: 2.2 }),
      line('c', 18, 18, { stroke: '#15241f' }),
      line('d', 18, 18, { stroke: '#15241f' }),
    ]
    expect(heavy(slips).length).toBeGreaterThan(4)
    const mended = after(slips)
    expect(heavy(mended)).toEqual([])
    expect(mended.map(({ id }) => id)).toEqual(['a', 'b', 'c'])
    expect(mended[0]).toMatchObject({ from: { y: 6 }, to: { x: 21, y: 6 } })
    expect(mended[1]).toMatchObject({ style: { weight: 'main' } })
    expect(mended[2]).toMatchObject({ style: { stroke: 'ink' } })
    const fine = [line('a', 6, 6), line('b', 18, 18)]
    expect(after(fine)).toBe(fine)
  })

  it('comes to an end where one repair brings back what another mended', () => {
    // Two circles that nearly touch a third, on both sides: each can touch it, both at once only one after the other.
    const disc = (id: string, x: number, r: number): DrawingObject => ({
      kind: 'ellipse',
      id,
      name: id,
      x: x - r,
      y: 12 - r,
      w: 2 * r,
      h: 2 * r,
      style: { fill: 'ink', stroke: 'none', weight: 'main' },
    })
    const edits = mendsOf(at([disc('a', 6, 3), disc('b', 12.1, 3), disc('c', 18, 2.95)]), [])
    expect(edits.length).toBeLessThan(50)
  })

  it('leaves what is accepted', () => {
    const slip = [line('a', 6, 6.4)]
    const snag = heavy(slip)[0]!
    expect(mendsOf(at(slip), [{ check: snag.check, objects: [...snag.objects], reason: 'It leans.' }]).length).toBe(
      mendsOf(at(slip), []).length - 1,
    )
  })
})
