import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { canStep, shown, step, undoStep } from '../../session/session'
import { path } from '../../../testing/samples'
import { benchCommands } from '../commands/commands'
import { benchGuides, setGuides } from '../operations/guides'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { beginPatchwork } from '../operations/patchwork'
import { KeyPlace } from './key-place'
import { at, Hand } from '../../../testing/hand'

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
    hand.bench.take('select')
    expect(keys.key(key('ArrowLeft'))).toBe(false)
  })

  it('clicks in a patchwork where arrows took it, and leaves a bare Enter to the tool, which is done then', () => {
    const hand = new Hand(box('a', 2, 2), box('b', 4, 4)),
      { bench } = hand
    const keys = new KeyPlace(bench, () => hand.tools.patchwork!)
    bench.select(['a', 'b'])
    beginPatchwork(bench)
    bench.store.setState({ tool: 'patchwork' })
    expect(keys.key(key('Enter'))).toBe(false)
    for (const name of ['ArrowLeft', 'ArrowLeft', 'ArrowUp', 'ArrowUp']) keys.key(key(name, { shiftKey: true }))
    keys.key(key('ArrowLeft'))
    keys.key(key('ArrowUp'))
    keys.key(key('Enter'))
    expect(hand.objects).toMatchObject([{ kind: 'patchwork', swept: [{}] }])
    expect(keys.key(key('Enter'))).toBe(false)
  })

  it('draws a path: Enter sets a node, O makes the last one smooth, Enter on the first closes, Enter again ends', () => {
    const hand = new Hand(),
      { bench } = hand
    const keys = new KeyPlace(bench, () => hand.tools.pen!)
    const press = (...names: string[]) => {
      for (const name of names) {
        const event = key(name.replace('+', ''), { shiftKey: name.startsWith('+') })
        if (!keys.key(event)) hand.tools.pen!.key!(event.key)
      }
    }
    bench.take('pen')
    press('+ArrowUp', 'Enter', '+ArrowRight', '+ArrowDown', 'Enter', 'o', '+ArrowLeft', '+ArrowDown', 'Enter', 'Enter')
    const [open] = hand.objects as [PathObject]
    expect(open.contours).toMatchObject([
      {
        closed: false,
        nodes: [
          { x: 12, y: 8 },
          { x: 16, y: 12 },
          { x: 12, y: 16 },
        ],
      },
    ])
    const { in: arriving, out } = open.contours[0]!.nodes[1]!
    expect(arriving!.x).toBeCloseTo(0)
    expect(arriving!.y).toBeLessThan(0)
    expect(out!.y).toBeCloseTo(-arriving!.y)
    bench.take('pen')
    press('ArrowUp', 'Enter', '+ArrowRight', 'Enter', '+ArrowDown', 'Enter', '+ArrowUp', '+ArrowLeft', 'Enter')
    expect((hand.objects[1] as PathObject).contours).toMatchObject([{ closed: true, nodes: [{}, {}, {}] }])
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

describe('what is built in several steps', () => {
  const nodesOf = (hand: Hand) =>
    hand.objects.map((object) => (object.kind === 'path' ? object.contours[0]!.nodes.length : object.kind))
  const click = (hand: Hand, x: number, y: number) => {
    const drag = hand.tools.pen!.press(at(x, y))
    drag?.release(at(x, y))
  }
  const drawn = () => {
    const hand = new Hand(box('a', 2, 2)),
      { session } = hand.bench
    session.setState({ building: () => hand.bench.building })
    hand.bench.take('pen')
    for (const [x, y] of [
      [10, 10],
      [14, 10],
      [14, 14],
    ] as const)
      click(hand, x, y)
    return { hand, session }
  }

  it('goes back and forth by its own steps, and only then by those of the set', () => {
    const { hand, session } = drawn()
    hand.tools.pen!.key!('Enter')
    hand.bench.take('pen')
    for (const x of [3, 6, 9]) click(hand, x, 20)
    step(session, 'back')
    step(session, 'back')
    step(session, 'forth')
    hand.tools.pen!.key!('Enter')
    expect(nodesOf(hand)).toEqual(['rectangle', 3, 2])
    step(session, 'back')
    expect(nodesOf(hand)).toEqual(['rectangle', 3])
    step(session, 'forth')
    expect(nodesOf(hand)).toEqual(['rectangle', 3, 2])
  })

  it('is kept when another tool, icon or stage is taken', () => {
    for (const leave of [
      (hand: Hand) => hand.bench.take('rectangle'),
      (hand: Hand) => hand.bench.open('other'),
      (hand: Hand) => hand.bench.keepBuilding(),
    ]) {
      const { hand } = drawn()
      leave(hand)
      expect(nodesOf(hand)).toEqual(['rectangle', 3])
    }
  })

  it('taken back to nothing goes on from no path any more', () => {
    const open = path(
      [
        { x: 2, y: 2 },
        { x: 6, y: 2 },
      ],
      false,
    )
    const hand = new Hand(open)
    hand.bench.take('pen')
    click(hand, 6, 2)
    for (const key of ['Backspace', 'Delete']) hand.tools.pen!.key!(key)
    for (const x of [10, 14]) click(hand, x, 10)
    hand.tools.pen!.key!('Enter')
    expect(hand.objects[0]).toBe(open)
    expect(nodesOf(hand)).toEqual([2, 2])
  })

  it('is not redone over what the set was meanwhile: a redo of the set waits for the hand', () => {
    const { hand, session } = drawn()
    hand.tools.pen!.key!('Enter')
    step(session, 'back')
    hand.bench.take('pen')
    click(hand, 3, 20)
    expect(canStep(session, 'forth')).toBe(false)
    step(session, 'forth')
    expect(nodesOf(hand)).toEqual(['rectangle'])
  })
})

describe('Delete', () => {
  const remove = (hand: Hand) => benchCommands(hand.bench).find(({ id }) => id === 'delete')!

  it('takes the handle that was pulled last, then the nodes, never the object', () => {
    const hand = new Hand({
      ...path(
        [
          { x: 2, y: 12, out: { x: 3, y: -4 } },
          { x: 12, y: 12, in: { x: -3, y: -4 }, out: { x: 3, y: 4 }, kind: 'smooth' },
          { x: 22, y: 12 },
        ],
        false,
      ),
    })
    hand.bench.select(['p'])
    hand.bench.take('nodes')
    hand.bench.store.setState({ nodes: new Set(['0 1']) })
    hand.drag('nodes', [15, 16], [16, 17])
    remove(hand).run()
    const nodes = () => (hand.objects[0] as PathObject | undefined)?.contours[0]!.nodes
    expect([nodes()!.length, nodes()![1]!.out, nodes()![1]!.in !== undefined]).toEqual([3, undefined, true])
    remove(hand).run()
    expect(nodes()!.length).toBe(2)
  })

  it('takes the guide that was moved last; after a press elsewhere it means the selection', () => {
    const hand = new Hand(box('a', 2, 2)),
      { bench } = hand
    setGuides(bench, [{ id: 'g', at: { x: 20, y: 0 }, angle: 90 }], 'Lay a guide')
    bench.select(['a'])
    const pull = () => hand.drag('select', [20, 23], [21, 23])
    pull()
    remove(hand).run()
    expect([benchGuides(bench).length, hand.objects.length]).toEqual([0, 1])
    undoStep(bench.session)
    pull()
    hand.drag('select', [3, 3])
    remove(hand).run()
    expect([benchGuides(bench).length, hand.objects.length]).toEqual([1, 0])
  })
})
