import { describe, expect, it } from 'vitest'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { alternativesOf, masterFor, titleOf } from '@/core/set/set'
import { undoStep } from '../../session/session'
import { drawOn, keepAlternative, nameAlternative, removeAlternative } from './alternatives'
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
describe('alternatives', () => {
  it('are kept beside the drawing under names; drawing on one leaves the other as it was, and undo goes all the way back', () => {
    const hand = new Hand(box('a', 1, 1, 4, 4)),
      before = hand.bench.session.getState().history.present
    const icon = () => hand.bench.icon!
    keepAlternative(hand.bench)
    expect([titleOf(masterFor(icon())), alternativesOf(masterFor(icon())).map(({ name }) => name)]).toEqual([
      'version 2',
      ['first'],
    ])
    hand.bench.edit({ kind: 'remove', ids: [hand.objects[0]!.id] }, 'Delete')
    expect(nameAlternative(hand.bench, 'version 2', 'bare')).toBeNull()
    expect(nameAlternative(hand.bench, 'bare', 'first')).toBe('There is already an alternative named “first”.')
    drawOn(hand.bench, 'first')
    expect([titleOf(masterFor(icon())), masterFor(icon()).objects.length, alternativesOf(masterFor(icon()))]).toEqual([
      'first',
      1,
      [{ name: 'bare', objects: [] }],
    ])
    removeAlternative(hand.bench, 'bare')
    expect(icon().masters[0]).not.toHaveProperty('alternatives')
    while (hand.bench.session.getState().history.past.length > 0) undoStep(hand.bench.session)
    expect(hand.bench.session.getState().history.present).toEqual(before)
  })
})
