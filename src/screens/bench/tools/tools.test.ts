import { beforeEach, describe, expect, it } from 'vitest'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { undoStep } from '../../session/session'
import type { Bench } from '../state/bench'
import { duplicate } from '../operations/objects'
import { at, Hand } from '../../../testing/hand'
import type { Tool } from './tool'

const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const box = (id: string, x: number, y: number, w: number, h: number, extra = {}): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x,
  y,
  w,
  h,
  corner: 0,
  style: { ...style, fill: 'ink' },
  ...extra,
})

let hand: Hand
let bench: Bench
let tools: Record<string, Tool>

function open(...objects: DrawingObject[]): void {
  hand = new Hand(...objects)
  bench = hand.bench
  tools = hand.tools
}

const objects = () => hand.objects
const named = (id: string) => objects().find((object) => object.id === id)
const selection = () => hand.selection
const drag: Hand['drag'] = (...how) => hand.drag(...how)

describe('drawing', () => {
  beforeEach(() => open())

  it('a rectangle starts from the rules and goes from grid to grid', () => {
    drag('rectangle', [3.1, 4.2], [9.9, 8.1])
    expect(objects()).toMatchObject([
      {
        kind: 'rectangle',
        name: 'Rectangle 1',
        x: 3,
        y: 4,
        w: 7,
        h: 4,
        corner: 'outer',
        style: { fill: 'none', stroke: 'ink', weight: 'main' },
      },
    ])
    expect([bench.store.getState().tool, selection()]).toEqual(['select', [objects()[0]!.id]])
  })

  it('Shift makes a circle, Alt draws from the centre, X leaves the grid', () => {
    drag('ellipse', [12, 12], [15, 14], { shift: true, alt: true })
    expect(objects()[0]).toMatchObject({ x: 9, y: 9, w: 6, h: 6 })
    drag('ellipse', [5.13, 5.27], [7.13, 6.5], { free: true })
    expect(objects()[1]).toMatchObject({ x: 5.13, y: 5.27 })
  })

  it('a click without a drag draws nothing, and a drag given up leaves nothing', () => {
    drag('rectangle', [3, 3])
    const begun = tools.rectangle!.press(at(3, 3))!
    begun.move(at(9, 9))
    expect(objects()).toHaveLength(1)
    begun.cancel()
    expect(objects()).toHaveLength(0)
    expect(bench.session.getState().history.past).toHaveLength(0)
  })

  it('a line keeps to 45° with Shift and to the grid along it', () => {
    drag('line', [2, 2], [9.9, 9.2], { shift: true })
    expect(objects()[0]).toMatchObject({ from: { x: 2, y: 2 }, to: { x: 9.5, y: 9.5 } })
  })

  const pathTo = (...places: (readonly [number, number])[]) => places.forEach((place) => drag('pen', place))

  it('the pen grows a path by clicks, loses its last node by Backspace and closes on its first', () => {
    bench.take('pen')
    pathTo([2, 2], [10, 2], [18, 9], [10, 10])
    expect(tools.pen!.key!('Backspace')).toBe(true)
    pathTo([2.2, 2.1])
    expect(objects()[0]).toMatchObject({
      kind: 'path',
      contours: [
        {
          closed: true,
          nodes: [
            { x: 2, y: 2 },
            { x: 10, y: 2 },
            { x: 18, y: 9 },
          ],
        },
      ],
    })
    expect(tools.pen!.key!('Backspace')).toBe(false)
  })

  it('a path ends open by Enter, and one node alone is nothing', () => {
    bench.take('pen')
    pathTo([2, 2])
    tools.pen!.key!('Escape')
    expect(objects()).toHaveLength(0)
    bench.take('pen')
    pathTo([2, 5], [6, 5])
    tools.pen!.key!('Enter')
    expect(objects()[0]).toMatchObject({
      contours: [
        {
          closed: false,
          nodes: [
            { x: 2, y: 5 },
            { x: 6, y: 5 },
          ],
        },
      ],
    })
  })

  it('a drag draws a symmetric node, Alt its outgoing handle alone, and a click on it drops that handle', () => {
    bench.take('pen')
    pathTo([2, 12])
    drag('pen', [8, 6], [11, 6])
    pathTo([8, 6], [14, 12])
    tools.pen!.key!('Enter')
    const [run] = (objects()[0] as Extract<DrawingObject, { kind: 'path' }>).contours
    expect(run!.nodes[1]).toEqual({ x: 8, y: 6, in: { x: -3, y: 0 } })
    bench.select([])
    bench.take('pen')
    pathTo([2, 20])
    drag('pen', [8, 16], [8, 14], { alt: true })
    pathTo([14, 20])
    tools.pen!.key!('Enter')
    expect((objects()[1] as Extract<DrawingObject, { kind: 'path' }>).contours[0]!.nodes[1]).toEqual({
      x: 8,
      y: 16,
      out: { x: 0, y: -2 },
    })
  })

  it('the pen goes on from an open end, unless N is held for a new path', () => {
    bench.take('pen')
    pathTo([2, 2], [8, 2])
    tools.pen!.key!('Enter')
    bench.take('pen')
    pathTo([2, 2], [2, 8])
    tools.pen!.key!('Enter')
    expect(objects()).toMatchObject([
      {
        contours: [
          {
            nodes: [
              { x: 8, y: 2 },
              { x: 2, y: 2 },
              { x: 2, y: 8 },
            ],
          },
        ],
      },
    ])
    bench.take('pen')
    tools.pen!.key!('n', true)
    pathTo([8, 2], [16, 2])
    tools.pen!.key!('n', false)
    tools.pen!.key!('Enter')
    expect(objects()).toHaveLength(2)
  })
})

describe('selecting and moving', () => {
  beforeEach(() =>
    open(box('back', 2, 2, 10, 10), box('front', 8, 8, 10, 10), box('locked', 2, 16, 5, 5, { locked: true })),
  )

  it('a click takes the topmost, Shift adds and takes away, a click beside lets go', () => {
    drag('select', [9, 9])
    expect(selection()).toEqual(['front'])
    drag('select', [3, 3], undefined, { shift: true })
    expect(selection()).toEqual(['back', 'front'])
    drag('select', [3, 3], undefined, { shift: true })
    expect(selection()).toEqual(['front'])
    drag('select', [22, 22])
    expect(selection()).toEqual([])
  })

  it('what is locked is neither clicked nor lassoed', () => {
    drag('select', [4, 18])
    expect(selection()).toEqual([])
    drag('select', [0, 0], [23, 23])
    expect(selection()).toEqual(['back', 'front'])
    drag('select', [0, 0], [13, 13])
    expect(selection()).toEqual(['back'])
  })

  it('a drag moves what is selected even beneath another, and is one step to undo', () => {
    bench.select(['back'])
    drag('select', [9, 9], [10.1, 9])
    expect(named('back')).toMatchObject({ x: 3, y: 2 })
    expect(named('front')).toMatchObject({ x: 8, y: 8 })
    undoStep(bench.session)
    expect(named('back')).toMatchObject({ x: 2, y: 2 })
  })

  it('a moved box meets the true edge of another, not the grid beside it', () => {
    open(box('still', 3.3, 3, 4, 4), box('moved', 12, 12, 5, 5))
    bench.select(['moved'])
    drag('select', [14, 14], [9.4, 14], {})
    expect(named('moved')).toMatchObject({ x: 7.3, y: 12 })
  })

  it('Alt leaves a copy, and a further duplicate repeats the move', () => {
    bench.select(['back'])
    drag('select', [5, 3], [8, 3], { alt: true })
    duplicate(bench)
    const lie = objects().flatMap((object) => (object.kind === 'rectangle' ? [[object.name, object.x]] : []))
    expect(lie).toEqual(
      expect.arrayContaining([
        ['back', 2],
        ['back 1', 5],
        ['back 2', 8],
      ]),
    )
  })

  it('a press that hardly travels moves nothing', () => {
    bench.select(['back'])
    drag('select', [5, 3], [5.2, 3.1])
    expect(bench.session.getState().history.past).toHaveLength(0)
  })
})

describe('pulling handles', () => {
  it('resizes one object in its own axes and several together', () => {
    open(box('a', 2, 2, 4, 4), box('b', 8, 8, 4, 4))
    bench.select(['a'])
    drag('select', [6, 6], [10, 9])
    expect(named('a')).toMatchObject({ x: 2, y: 2, w: 8, h: 7 })
    undoStep(bench.session)
    bench.select(['a', 'b'])
    drag('select', [12, 12], [22, 22])
    expect(named('a')).toMatchObject({ x: 2, y: 2, w: 8, h: 8 })
    expect(named('b')).toMatchObject({ x: 14, y: 14, w: 8, h: 8 })
  })

  it('keeps the proportion with Shift and the centre with Alt', () => {
    open(box('a', 8, 8, 8, 4))
    bench.select(['a'])
    drag('select', [16, 12], [20, 12.4], { shift: true, alt: true })
    expect(named('a')).toMatchObject({ x: 4, y: 6, w: 16, h: 8 })
  })

  it('stops where it is as wide as another, and a circle about its centre where it touches', () => {
    open(box('a', 2, 2, 4, 4), box('wide', 2, 12, 7.3, 4))
    bench.select(['a'])
    drag('select', [6, 6], [9.4, 8])
    expect(named('a')).toMatchObject({ w: 7.3 })
    open(
      { kind: 'ellipse', id: 'e', name: 'e', x: 8, y: 8, w: 4, h: 4, style },
      { kind: 'line', id: 'l', name: 'l', from: { x: 1, y: 17.1 }, to: { x: 23, y: 17.1 }, style },
    )
    bench.select(['e'])
    drag('select', [12, 12], [16.9, 16.9], { shift: true, alt: true })
    expect(named('e')).toMatchObject({
      w: expect.closeTo(14.2, 9),
      h: expect.closeTo(14.2, 9),
      x: expect.closeTo(2.9, 9),
    })
  })

  it('pulls the end of a line', () => {
    open({ kind: 'line', id: 'l', name: 'l', from: { x: 2, y: 2 }, to: { x: 8, y: 2 }, style })
    bench.select(['l'])
    drag('select', [8, 2], [8.2, 10.1])
    expect(named('l')).toMatchObject({ from: { x: 2, y: 2 }, to: { x: 8, y: 10 } })
  })
})

describe('stepping into an assembly', () => {
  it('reaches its members, and the result follows them', () => {
    open({
      kind: 'assembly',
      id: 'a',
      name: 'a',
      style: { ...style, fill: 'ink' },
      members: [box('ground', 2, 2, 20, 20), box('hole', 8, 8, 6, 6, { role: 'cuts' })],
    })
    tools.select!.twice!(at(9, 3))
    expect([bench.scope?.id, selection()]).toEqual(['a', ['ground']])
    drag('select', [22, 22])
    bench.select([])
    drag('select', [10, 10], [13, 10])
    expect(objects()[0]).toMatchObject({
      members: [
        { id: 'ground', x: 2 },
        { id: 'hole', x: 11 },
      ],
    })
  })
})
