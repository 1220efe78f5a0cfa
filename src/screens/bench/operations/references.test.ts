import { REFERENCES } from './references'
import { describe, expect, it } from 'vitest'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { guidesOf } from '@/core/set/set'
import { benchReferences, setReferences } from './references'
import { Hand } from '../../../testing/hand'

const box = (id: string, x: number, y: number, w: number, h: number, style = {}): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x,
  y,
  w,
  h,
  corner: 0,
  style: { fill: 'ink', stroke: 'none', weight: 'main', ...style },
})
describe('references', () => {
  it('are moved by the hand only while they are in hand and not locked, and never snap the drawing away', () => {
    const hand = new Hand(box('a', 1, 1, 2, 2))
    const reference = {
      id: 'r',
      name: 'scan',
      picture: '0'.repeat(24),
      size: { w: 100, h: 100 },
      x: 4,
      y: 4,
      w: 16,
      h: 16,
      opacity: 0.5,
    }
    setReferences(hand.bench, [reference], 'Lay')
    hand.drag('select', [12, 12], [14, 13])
    expect(benchReferences(hand.bench)[0]).toMatchObject({ x: 4, y: 4 })
    hand.bench.store.setState({ panel: 'references' })
    hand.bench.put(REFERENCES, { referenceInHand: 'r' })
    hand.drag('select', [12, 12], [14, 13])
    expect(benchReferences(hand.bench)[0]).toMatchObject({ x: 6, y: 5 })
    // A corner sizes it in proportion about the opposite one.
    hand.drag('select', [22, 21], [14, 13])
    expect(benchReferences(hand.bench)[0]).toMatchObject({ x: 6, y: 5, w: 8, h: 8 })
    setReferences(hand.bench, [{ ...reference, locked: true }], 'Lock')
    hand.drag('select', [12, 12], [14, 13])
    expect(benchReferences(hand.bench)[0]).toMatchObject({ x: 4, y: 4 })
    expect(guidesOf(hand.bench.master!)).toEqual([])
    expect(hand.objects[0]).toMatchObject({ x: 1, y: 1 })
  })

  it('are placed by two points pressed in the picture and where they belong', () => {
    const hand = new Hand()
    setReferences(
      hand.bench,
      [
        {
          id: 'r',
          name: 'scan',
          picture: '0'.repeat(24),
          size: { w: 100, h: 100 },
          x: 0,
          y: 0,
          w: 24,
          h: 24,
          opacity: 0.5,
        },
      ],
      'Lay',
    )
    hand.bench.put(REFERENCES, { referenceInHand: 'r' })
    for (const place of [
      [6, 6],
      [2, 2],
      [18, 6],
      [2, 14],
    ] as const)
      hand.drag('place', place)
    // Twelve units to the right became twelve down: a quarter turn about the first place.
    expect(benchReferences(hand.bench)[0]).toMatchObject({ w: 24, h: 24, turn: 90 })
    hand.drag('crop', [2, 2], [6, 8])
    expect(benchReferences(hand.bench)[0]!.crop).toMatchObject({ w: 25, h: 17 })
  })
})
