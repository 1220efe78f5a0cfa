import { styleOf } from '@/core/drawing/scene/shared-style'
import { PAINT } from '../state/paint-in-hand'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { beforeEach, describe, expect, it } from 'vitest'
import { svgOf } from '@/core/picture/svg'
import { evaluateAll } from '@/core/drawing/evaluate/evaluate'
import type { DrawingObject, OfKind, Styled } from '@/core/drawing/objects/object'
import { undoStep } from '../../session/session'
import { benchCommands } from '../commands/commands'
import { addSwatch, changeStyles, makeGradient, nameGradient, putColour, recolour, setPaint } from './paints'
import { at, Hand } from '../../../testing/hand'
import { PATCHWORK } from './patchwork'
import { sampleAt } from '../tools/sample/gesture'

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
const styles = (hand: Hand) => hand.objects.map((object) => styleOf(object as Styled, hand.bench.scene))
const run = (hand: Hand, id: string) => {
  const command = benchCommands(hand.bench).find((one) => one.id === id)!
  expect(command.needs?.() ?? null).toBeNull()
  command.run()
}

describe('a gradient on the square', () => {
  let hand: Hand
  beforeEach(() => {
    hand = new Hand(box('a', 4, 4, 16, 16))
    hand.bench.select(['a'])
    hand.bench.store.setState({ panel: 'colours' })
    makeGradient(hand.bench, 'fill', 'linear')
  })

  it('is pulled by its ends, which snap; what lies above the object does not get in the way', () => {
    hand.bench.edit({ kind: 'add', objects: [box('over', 2, 2, 20, 20)], into: null, at: 1 }, 'Cover')
    hand.drag('select', [20, 12], [12.1, 20.1])
    expect(styles(hand)[0]!.fill).toMatchObject({ from: { x: 4, y: 12 }, to: { x: 12, y: 20 } })
    expect(hand.objects[1]).toMatchObject({ x: 2, y: 2 })
    undoStep(hand.bench.session)
    expect(styles(hand)[0]!.fill).toMatchObject({ to: { x: 20, y: 12 } })
  })

  it('takes a hard edge exactly to where it snaps: two stops at one place go together', () => {
    changeStyles(
      hand.bench,
      (style) => ({
        ...style,
        fill: {
          kind: 'linear',
          from: { x: 4, y: 12 },
          to: { x: 20, y: 12 },
          stops: [
            { at: 0, color: 'ink' },
            { at: 0.5, color: 'ink' },
            { at: 0.5, color: '#d5401b' },
            { at: 1, color: '#d5401b' },
          ],
        },
      }),
      'bands',
    )
    hand.bench.edit({ kind: 'add', objects: [box('edge', 7, 22, 2, 2)], into: null, at: 1 }, 'An edge')
    // The edge is drawn to a node far off its way, and to where it touches a circle.
    hand.drag('select', [12, 12], [9.2, 12])
    const { stops } = styles(hand)[0]!.fill as { stops: { at: number }[] }
    expect(stops.map(({ at }) => at)).toEqual([0, 5 / 16, 5 / 16, 1])
    hand.bench.edit(
      {
        kind: 'add',
        objects: [
          {
            kind: 'ellipse',
            id: 'c',
            name: 'c',
            x: 13.25,
            y: 30,
            w: 5,
            h: 5,
            style: { fill: 'none', stroke: 'ink', weight: 1 },
          },
        ],
        into: null,
        at: 2,
      },
      'A circle',
    )
    hand.drag('select', [9, 12], [13.5, 12])
    expect((styles(hand)[0]!.fill as { stops: { at: number }[] }).stops[1]!.at).toBeCloseTo((13.25 - 4) / 16, 9)
  })

  it('is left as it is by a press on a stop, and takes a double press beyond its last stop', () => {
    const fill = {
      kind: 'linear' as const,
      from: { x: 4, y: 12 },
      to: { x: 20, y: 12 },
      stops: [
        { at: 0.25, color: 'ink' },
        { at: 0.5, color: '#d5401b' },
      ],
    }
    changeStyles(hand.bench, (style) => ({ ...style, fill }), 'stops')
    const steps = hand.bench.session.getState().history.past.length
    hand.drag('select', [12, 12])
    expect(hand.bench.session.getState().history.past).toHaveLength(steps)
    expect(hand.bench.read(PAINT).stop).toBe(1)
    hand.tools.select!.twice!(at(16, 12))
    expect(styles(hand)[0]!.fill).toMatchObject({ stops: [{ at: 0.25 }, { at: 0.5 }, { at: 0.75, color: '#d5401b' }] })
    hand.tools.select!.twice!(at(6, 12))
    expect(styles(hand)[0]!.fill).toMatchObject({
      stops: [{ at: 0.125, color: 'ink' }, { at: 0.25 }, { at: 0.5 }, { at: 0.75 }],
    })
  })

  it('takes colours into the stop in hand, and its stops into the palette under a name', () => {
    hand.bench.put(PAINT, { place: 'fill', stop: 1 })
    putColour(hand.bench, '#d5401b')
    expect(styles(hand)[0]!.fill).toMatchObject({ stops: [{ color: 'ink' }, { color: '#d5401b' }] })
    nameGradient(hand.bench, 'fill')
    expect(styles(hand)[0]!.fill).toMatchObject({ stops: 'gradient-1' })
    expect(hand.bench.rules.gradients).toEqual([
      {
        name: 'gradient-1',
        stops: [
          { at: 0, color: 'ink' },
          { at: 1, color: '#d5401b' },
        ],
      },
    ])
    expect(svgOf(hand.objects, hand.bench.rules, 24)).toContain('stop-color="#d5401b"')
  })
})

describe('the finish', () => {
  it('is set for all that is selected, in groups too, and a swap of two colours is one step', () => {
    const hand = new Hand({
      kind: 'group',
      id: 'g',
      name: 'g',
      members: [box('a', 1, 1, 4, 4), box('b', 6, 1, 4, 4, { fill: '#d5401b' })],
    })
    hand.bench.select(['g'])
    recolour(
      hand.bench,
      new Map([
        ['ink', '#d5401b'],
        ['#d5401b', 'ink'],
      ]),
    )
    expect(evaluateAll(hand.objects, sceneOf(hand.bench.rules)).map(({ fill }) => fill)).toMatchObject([
      { light: '#d5401b' },
      { ink: true },
    ])
    setPaint(hand.bench, 'fill', { opacity: 0.5 })
    expect(evaluateAll(hand.objects, sceneOf(hand.bench.rules)).map(({ fill }) => fill!.opacity)).toEqual([0.5, 0.5])
    // Without a selection nothing is done, and no step is taken.
    hand.bench.select([])
    const steps = hand.bench.session.getState().history.past.length
    putColour(hand.bench, '#1f5f7a')
    expect(hand.bench.session.getState().history.past).toHaveLength(steps)
    expect(addSwatch(hand.bench, '#1f5f7a')).toBe('colour-1')
    for (let n = hand.bench.rules.palette.length; n < 64; n++) addSwatch(hand.bench, '#101010')
    expect(addSwatch(hand.bench, '#202020')).toBe('#202020')
    expect(hand.bench.rules.palette).toHaveLength(64)
    expect(hand.bench.rules.palette[1]).toEqual({ name: 'colour-1', color: '#1f5f7a' })
  })

  it('goes from one object to another with its gradient laid likewise in that one’s box', () => {
    const hand = new Hand(
      box('a', 0, 0, 10, 10, {
        fill: {
          kind: 'linear',
          from: { x: 0, y: 0 },
          to: { x: 10, y: 10 },
          stops: [
            { at: 0, color: 'ink' },
            { at: 1, color: '#d5401b' },
          ],
        },
        stroke: 'ink',
        dash: [2, 1],
      }),
      box('b', 12, 12, 10, 10),
    )
    hand.bench.select(['a'])
    run(hand, 'copy-finish')
    hand.bench.select(['b'])
    run(hand, 'paste-finish')
    expect(styles(hand)[1]).toMatchObject({
      dash: [2, 1],
      stroke: 'ink',
      fill: { from: { x: 12, y: 12 }, to: { x: 22, y: 22 } },
    })
  })

  it('selects what is like it, by stroke, fill, size or kind', () => {
    const hand = new Hand(
      box('a', 1, 1, 4, 4),
      box('b', 6, 1, 4, 4, { stroke: 'ink' }),
      box('c', 12, 1, 5, 4, { stroke: 'ink' }),
    )
    hand.bench.select(['b'])
    run(hand, 'alike-stroke')
    expect([...hand.bench.store.getState().selection]).toEqual(['b', 'c'])
    hand.bench.select(['b'])
    run(hand, 'alike-size')
    expect([...hand.bench.store.getState().selection]).toEqual(['a', 'b'])
  })

  it('is sampled from objects by the swatch’s name, in a gradient by the colour of the place', () => {
    const hand = new Hand(
      box('a', 0, 0, 10, 10),
      box('b', 10, 0, 10, 10, {
        fill: {
          kind: 'linear',
          from: { x: 10, y: 0 },
          to: { x: 20, y: 0 },
          stops: [
            { at: 0, color: '#000000' },
            { at: 1, color: '#c86400' },
          ],
        },
      }),
    )
    expect(sampleAt(hand.bench, { x: 5, y: 5 }, false)).toMatchObject({ color: 'ink', from: 'a' })
    expect(sampleAt(hand.bench, { x: 15, y: 5 }, false)).toMatchObject({ color: '#643200' })
    expect(sampleAt(hand.bench, { x: 5, y: 20 }, false)).toBeNull()
  })
})

describe('the finish of a patchwork', () => {
  const plain = { fill: 'ink', stroke: 'none', weight: 1 } as const
  const patches = (id: string) => ({ id, name: id, patches: [{ key: 'a/0/0+', at: { x: 6, y: 6 } }], style: plain })
  let hand: Hand
  beforeEach(() => {
    hand = new Hand({
      kind: 'patchwork',
      id: 'w',
      name: 'w',
      swept: [patches('one'), patches('two')],
      members: [box('a', 4, 4, 10, 10), box('b', 8, 8, 10, 10)],
    } as DrawingObject)
    hand.bench.select(['w'])
  })
  const fills = () => {
    const [object] = hand.objects as [OfKind<'patchwork'>]
    return [
      ...object.swept.map(({ style }) => style.fill),
      ...object.members.map((one) => (one as Styled & { style: { fill: string } }).style.fill),
    ]
  }

  it('is that of the shapes that are seen, never of what lies inside', () => {
    const inside = fills().slice(2)
    setPaint(hand.bench, 'fill', { paint: '#d5401b' })
    expect(fills()).toEqual(['#d5401b', '#d5401b', ...inside])
    recolour(hand.bench, new Map([['#d5401b', 'ink']]))
    expect(fills()).toEqual(['ink', 'ink', ...inside])
  })

  it('is what a copied finish is given to, all of its shapes in one step', () => {
    hand.bench.edit({ kind: 'add', objects: [box('teal', 0, 0, 3, 3, { fill: '#11807f' })], into: null, at: 1 }, 'Add')
    hand.bench.select(['teal'])
    run(hand, 'copy-finish')
    hand.bench.select(['w'])
    run(hand, 'paste-finish')
    expect(fills().slice(0, 2)).toEqual(['#11807f', '#11807f'])
  })

  it('is that of the shape in hand while one is', () => {
    hand.bench.put(PATCHWORK, { shape: 'two' })
    setPaint(hand.bench, 'fill', { paint: '#d5401b' })
    expect(fills().slice(0, 2)).toEqual(['ink', '#d5401b'])
  })
})
