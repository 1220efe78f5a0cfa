import { ARRANGE } from './arranging'
import { describe, expect, it } from 'vitest'
import { svgOf } from '@/core/picture/svg'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { opticalOffset } from '@/core/proof/optical-centre'
import { align, alignBox, centreOptically, space } from './arranging'
import { benchCommands } from '../commands/commands'
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
const run = (hand: Hand, id: string) => {
  const command = benchCommands(hand.bench).find((one) => one.id === id)!
  expect(command.needs?.() ?? null).toBeNull()
  command.run()
}

describe('arranging', () => {
  it('aligns to the selection, to a chosen object that stays, to a keyline as one', () => {
    const hand = new Hand(box('a', 2, 2, 4, 4), box('b', 10, 8, 2, 2))
    hand.bench.select(['a', 'b'])
    align(hand.bench, 'bottom')
    expect(hand.objects).toMatchObject([{ y: 6 }, { y: 8 }])
    hand.bench.put(ARRANGE, { alignTo: 'object b' })
    align(hand.bench, 'left')
    expect(hand.objects).toMatchObject([
      { x: 10, y: 6 },
      { x: 10, y: 8 },
    ])
    hand.bench.put(ARRANGE, { alignTo: 'keyline square' })
    expect(alignBox(hand.bench, 'keyline square')).toMatchObject({ box: { x: 2, y: 2, w: 20, h: 20 }, asOne: true })
    align(hand.bench, 'right')
    expect(hand.objects).toMatchObject([{ x: 18 }, { x: 18 }])
    hand.bench.put(ARRANGE, { gap: 1 })
    space(hand.bench, 'y')
    expect(hand.objects).toMatchObject([{ y: 6 }, { y: 11 }])
  })

  it('centres by the ink and by the circle around it, and shows how far off either is', () => {
    const hand = new Hand(box('a', 2, 2, 12, 2), box('b', 2, 4, 2, 6))
    hand.bench.select(['a', 'b'])
    const off = opticalOffset(hand.objects, hand.bench.rules)!
    // 24 at (8, 3) and 12 at (3, 7).
    expect(off.ink).toEqual({
      x: expect.closeTo((24 * 8 + 12 * 3) / 36 - 12, 9),
      y: expect.closeTo((24 * 3 + 12 * 7) / 36 - 12, 9),
    })
    centreOptically(hand.bench, 'ink')
    const centred = opticalOffset(hand.objects, hand.bench.rules)!
    expect(Math.hypot(centred.ink.x, centred.ink.y)).toBeLessThan(1e-9)
    expect(Math.hypot(centred.circle.x, centred.circle.y)).toBeGreaterThan(0.5)
  })

  it('masks what is behind by the front object, live', () => {
    const hand = new Hand(box('a', 0, 0, 24, 24), box('m', 6, 6, 6, 6))
    hand.bench.select(['a', 'm'])
    run(hand, 'mask-inside')
    expect(svgOf(hand.objects, hand.bench.rules, 24)).toMatch(/d="M(6 6|12 12|6 12|12 6)[hv]-?6[hv]-?6[hv]-?6z"/i)
  })
})
