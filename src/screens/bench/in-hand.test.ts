import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { DrawingObject } from '@/core/drawing/object'
import { shown } from '../frame/session'
import { benchCommands } from './commands'
import { KeyPlace } from './key-place'
import { at, Hand } from './tools/hand'

const box = (id: string, x: number, y: number): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x,
  y,
  w: 4,
  h: 4,
  corner: 0,
  style: { fill: 'ink', stroke: 'none', weight: 'main' },
})

describe('what is moved', () => {
  it('is only shifted where it is drawn until it is let go; then it is one step', () => {
    const hand = new Hand(box('a', 2, 2), box('b', 12, 12)),
      { bench } = hand
    const before = bench.session.getState().history.present
    const drag = hand.tools.select!.press(at(4, 4))!
    drag.move(at(6, 4))
    drag.move(at(8.02, 4))
    expect(bench.store.getState().inHand.shifted).toMatchObject({ by: { x: 4, y: 0 } })
    expect([...bench.store.getState().inHand.shifted!.ids]).toEqual(['a'])
    // Nothing is computed anew while the hand moves.
    expect(bench.session.getState().preview).toBeNull()
    expect(bench.session.getState().history.present).toBe(before)
    drag.release(at(8.02, 4))
    expect(bench.store.getState().inHand.shifted).toBeNull()
    expect(hand.objects).toMatchObject([{ x: 6, y: 2 }, { x: 12 }])
    expect(bench.session.getState().history.past).toHaveLength(1)
  })

  it('comes back where it was when the drag is given up, and members of a group are shown by an edit in hand', () => {
    const hand = new Hand({ kind: 'group', id: 'g', name: 'g', members: [box('a', 2, 2), box('b', 12, 12)] }),
      { bench } = hand
    bench.store.setState({ scope: 'g' })
    bench.select(['a'])
    const drag = hand.tools.select!.press(at(4, 4))!
    drag.move(at(6, 4))
    drag.move(at(8, 4))
    expect(bench.store.getState().inHand.shifted).toBeNull()
    expect(shown(bench.session.getState()).icons[0]!.masters[0]!.objects[0]).toMatchObject({
      members: [{ x: 6 }, { x: 12 }],
    })
    drag.cancel()
    expect(hand.objects[0]).toMatchObject({ members: [{ x: 2 }, { x: 12 }] })
    expect(bench.session.getState().history.past).toEqual([])
  })
})

describe('a hand on the keys', () => {
  const key = (name: string, held: Partial<KeyboardEvent> = {}) =>
    ({ key: name, shiftKey: false, altKey: false, ctrlKey: false, metaKey: false, ...held }) as KeyboardEvent

  it('draws from place to place: arrows by units, Enter at both ends, Escape gives up', () => {
    const hand = new Hand(),
      { bench } = hand
    const keys = new KeyPlace(bench, () => hand.tools[bench.store.getState().tool]!)
    bench.take('rectangle')
    for (const name of ['ArrowLeft', 'ArrowUp']) keys.key(key(name, { shiftKey: true }))
    keys.key(key('Enter'))
    keys.key(key('ArrowRight', { shiftKey: true }))
    keys.key(key('ArrowDown', { altKey: true }))
    expect(keys.key(key('Escape'))).toBe(true)
    expect(hand.objects).toEqual([])
    keys.key(key('Enter'))
    for (const name of ['ArrowLeft', 'ArrowDown']) keys.key(key(name, { shiftKey: true }))
    keys.key(key('Enter'))
    expect(hand.objects).toMatchObject([{ kind: 'rectangle', x: 8, y: 8.5, w: 4, h: 4 }])
    // The tool in hand is the selecting one again: its arrows are for nudging.
    expect(keys.key(key('ArrowLeft'))).toBe(false)
  })

  it('leaves keys with Ctrl and other tools alone', () => {
    const hand = new Hand(),
      keys = new KeyPlace(hand.bench, () => hand.tools.line!)
    hand.bench.take('line')
    expect(keys.key(key('ArrowLeft', { ctrlKey: true }))).toBe(false)
    hand.bench.take('pen')
    expect(keys.key(key('Enter'))).toBe(false)
  })
})

describe('commands', () => {
  let hand: Hand
  beforeEach(() => {
    vi.stubGlobal('document', undefined)
    hand = new Hand()
  })
  afterEach(() => vi.unstubAllGlobals())

  it('that cannot run say what is missing, in a sentence; no two have one key', () => {
    const commands = benchCommands(hand.bench),
      keys = new Map<string, string>()
    for (const { id, keys: own = [], needs } of commands) {
      for (const one of own) {
        expect([one, keys.get(one)]).toEqual([one, undefined])
        keys.set(one, id)
      }
      const missing = needs?.() ?? null
      if (missing !== null) expect(missing).toMatch(/^[A-Z“].*[.)]$/)
    }
    const without = commands.filter(({ needs }) => (needs?.() ?? null) !== null).length
    hand = new Hand(box('a', 1, 1), box('b', 8, 8))
    hand.bench.select(['a', 'b'])
    expect(benchCommands(hand.bench).filter(({ needs }) => (needs?.() ?? null) !== null).length).toBeLessThan(without)
  })

  it('see the square otherwise, and a second time as before', () => {
    const run = (id: string) =>
      benchCommands(hand.bench)
        .find((one) => one.id === id)!
        .run()
    const { store } = hand.bench
    run('see-outline')
    expect(store.getState().seeing).toBe('outline')
    run('see-tints')
    expect(store.getState().seeing).toBe('tints')
    run('see-tints')
    expect(store.getState().seeing).toBe('finish')
    run('see-dimOthers')
    expect(store.getState().also.dimOthers).toBe(true)
    run('zoom-real')
    expect(store.getState().view!.scale).toBe(1)
    hand = new Hand(box('a', 6, 6))
    hand.bench.select(['a'])
    benchCommands(hand.bench)
      .find((one) => one.id === 'zoom-selection')!
      .run()
    const { view, stage } = hand.bench.store.getState()
    // Its middle is in the middle of the stage.
    expect(
      [view!.x + 8 * view!.scale, view!.y + 8 * view!.scale].every(
        (place, i) => Math.abs(place - (i ? stage.h : stage.w) / 2) <= 1,
      ),
    ).toBe(true)
  })
})
