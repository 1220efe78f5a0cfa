import { beforeEach, describe, expect, it } from 'vitest'
import type { DrawingObject, Styled } from '@/core/drawing/objects/object'
import { styleOf } from '@/core/drawing/scene/shared-style'
import { setProblems } from '@/core/set/set'
import { undoStep } from '../../session/session'
import { benchCommands } from '../commands/commands'
import { Hand } from '../../../testing/hand'
import { makeGradient, setPaint } from './paints'
import { shareFinish, sharersOf, takeFinish } from './shared-finishes'

const box = (id: string, x: number, style = {}): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x,
  y: 4,
  w: 6,
  h: 4,
  corner: 0,
  style: { fill: 'ink', stroke: 'none', weight: 'main', ...style },
})
const present = (hand: Hand) => hand.bench.session.getState().history.present
const fills = (hand: Hand) => hand.objects.map((object) => styleOf(object as Styled, hand.bench.scene).fill)
const run = (hand: Hand, id: string) => {
  const command = benchCommands(hand.bench).find((one) => one.id === id)!
  expect(command.needs?.() ?? null).toBeNull()
  command.run()
}

describe('a finish shared on the bench', () => {
  let hand: Hand
  beforeEach(() => {
    hand = new Hand(box('a', 2), box('b', 9, { fill: '#11807f' }), box('c', 16))
    hand.bench.select(['a', 'b'])
    shareFinish(hand.bench)
  })

  it('is that of the first object, under a free name, and changed for all of them by any of them', () => {
    expect(fills(hand)).toEqual(['ink', 'ink', 'ink'])
    expect(sharersOf(present(hand), 'finish-1')).toEqual({ objects: 2, icons: 1 })
    hand.bench.select(['b'])
    setPaint(hand.bench, 'fill', { paint: '#d5401b' })
    expect(fills(hand)).toEqual(['#d5401b', '#d5401b', 'ink'])
    expect(present(hand).rules.finishes).toMatchObject([{ name: 'finish-1', style: { fill: '#d5401b' } }])
    expect(setProblems(present(hand))).toEqual([])
    undoStep(hand.bench.session)
    expect(fills(hand)).toEqual(['ink', 'ink', 'ink'])
    hand.bench.select(['c'])
    shareFinish(hand.bench)
    expect(present(hand).rules.finishes!.map(({ name }) => name)).toEqual(['finish-1', 'finish-2'])
  })

  it('is taken and left again without changing the others; pasted it is shared', () => {
    hand.bench.select(['c'])
    takeFinish(hand.bench, 'finish-1')
    expect(sharersOf(present(hand), 'finish-1').objects).toBe(3)
    takeFinish(hand.bench, null)
    setPaint(hand.bench, 'fill', { paint: '#d5401b' })
    expect(fills(hand)).toEqual(['ink', 'ink', '#d5401b'])
    run(hand, 'copy-finish')
    hand.bench.select(['a'])
    run(hand, 'paste-finish')
    // What is pasted is the object's own: the others keep what they share.
    expect(fills(hand)).toEqual(['#d5401b', 'ink', '#d5401b'])
    hand.bench.select(['b'])
    run(hand, 'copy-finish')
    hand.bench.select(['a', 'c'])
    run(hand, 'paste-finish')
    expect(sharersOf(present(hand), 'finish-1').objects).toBe(3)
    expect(fills(hand)).toEqual(['ink', 'ink', 'ink'])
  })

  it('lays a gradient over each object’s own box, and moves with it', () => {
    hand.bench.select(['a'])
    makeGradient(hand.bench, 'fill', 'linear')
    expect(fills(hand).slice(0, 2)).toMatchObject([
      { from: { x: 2 }, to: { x: 8 } },
      { from: { x: 9 }, to: { x: 15 } },
    ])
    hand.bench.select(['b'])
    hand.bench.change((object) => ({ ...object, x: 12 }) as DrawingObject, 'Move')
    expect(fills(hand)[1]).toMatchObject({ from: { x: 12 }, to: { x: 18 } })
    expect(present(hand).rules.finishes![0]!.style.fill).toMatchObject({ from: { x: 0 }, to: { x: 1 } })
  })

  it('is offered only where there is something to share, or to leave', () => {
    const needs = (id: string) => benchCommands(hand.bench).find((one) => one.id === id)!.needs!()
    expect(needs('own-finish')).toBeNull()
    hand.bench.select(['c'])
    expect(needs('own-finish')).toBe('Select an object that shares its finish.')
    expect(needs('share-finish')).toBeNull()
    hand.bench.select([])
    expect(needs('share-finish')).toBe('Select a painted object first.')
  })
})
