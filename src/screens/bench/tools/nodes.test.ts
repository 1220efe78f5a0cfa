import { LOSS } from '../operations/node-selection'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { beforeEach, describe, expect, it } from 'vitest'
import { outline } from '@/core/drawing/evaluate/evaluate'
import type { DrawingObject } from '@/core/drawing/objects/object'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { pathBounds } from '@/core/geometry/path'
import { undoStep } from '../../session/session'
import {
  alignNodes,
  deleteNodes,
  fitEnd,
  gatherStrokes,
  joinNodes,
  markReference,
  openHere,
  selectNodes,
  setNodeKind,
  simplifyPaths,
  spaceNodes,
} from '../operations/nodes'
import { fixToPath } from '../operations/fix'
import { at, Hand } from '../../../testing/hand'

const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const path = (id: string, closed: boolean, ...places: readonly (readonly [number, number])[]): DrawingObject => ({
  kind: 'path',
  id,
  name: id,
  corner: 0,
  style,
  contours: [{ closed, nodes: places.map(([x, y]) => ({ x, y })) }],
})
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
const line = (id: string, x0: number, y0: number, x1: number, y1: number): DrawingObject => ({
  kind: 'line',
  id,
  name: id,
  from: { x: x0, y: y0 },
  to: { x: x1, y: y1 },
  style,
})
const nodesOf = (hand: Hand, id = 'p', contour = 0) =>
  (hand.objects.find((object) => object.id === id) as PathObject).contours[contour]!.nodes
const places = (hand: Hand, id = 'p', contour = 0) => nodesOf(hand, id, contour).map(({ x, y }) => [x, y])
const choose = (hand: Hand, ...keys: string[]) => hand.bench.store.setState({ nodes: new Set(keys) })

describe('nodes', () => {
  let hand: Hand
  beforeEach(() => {
    hand = new Hand(path('p', true, [4, 4], [16, 4], [16, 16], [4, 16]))
    hand.bench.select(['p'])
    hand.bench.take('nodes')
  })

  it('are taken in a box, moved together, and one of several alone after a click', () => {
    hand.drag('nodes', [2, 2], [6, 18])
    hand.drag('nodes', [4, 4], [2, 5])
    expect(places(hand)).toEqual([
      [2, 5],
      [16, 4],
      [16, 16],
      [2, 17],
    ])
    hand.drag('nodes', [2, 5])
    hand.drag('nodes', [2, 5], [3, 3])
    expect(places(hand)).toEqual([
      [3, 3],
      [16, 4],
      [16, 16],
      [2, 17],
    ])
  })

  it('are added and let go by Shift, and go in one direction when they are dragged with it', () => {
    const shift = { shift: true }
    hand.drag('nodes', [4, 4])
    hand.drag('nodes', [16, 4], undefined, shift)
    hand.drag('nodes', [16, 4], [20, 4.5], shift)
    expect(places(hand)).toEqual([
      [8, 4],
      [20, 4],
      [16, 16],
      [4, 16],
    ])
    hand.drag('nodes', [8, 4], undefined, shift)
    expect([...hand.bench.store.getState().nodes]).toEqual(['0 1'])
    hand.drag('nodes', [4, 16], [4.5, 10], shift)
    expect(places(hand).slice(1)).toEqual([
      [20, -2],
      [16, 16],
      [4, 10],
    ])
  })

  it('are inserted by a double click, bent by a pull, and deleted with the outline closed', () => {
    hand.tools.nodes!.twice!(at(10, 4))
    expect(places(hand)).toHaveLength(5)
    deleteNodes(hand.bench)
    expect(places(hand)).toEqual([
      [4, 4],
      [16, 4],
      [16, 16],
      [4, 16],
    ])
    hand.drag('nodes', [10, 16], [10, 18])
    expect(nodesOf(hand)[2]).toHaveProperty('out')
    hand.drag('nodes', [16, 4])
    setNodeKind(hand.bench, 'symmetric')
    const [, corner] = nodesOf(hand)
    expect(corner).toMatchObject({ kind: 'symmetric', in: { x: -corner!.out!.x, y: -corner!.out!.y } })
    const end = { x: 16 + corner!.out!.x, y: 4 + corner!.out!.y }
    hand.drag('nodes', [end.x, end.y], [18, 10])
    expect(nodesOf(hand)[1]).toMatchObject({ out: { x: 2, y: 6 }, in: { x: -2, y: -6 } })
    hand.drag('nodes', [18, 10], [19, 8], { alt: true })
    expect(nodesOf(hand)[1]).toMatchObject({ out: { x: 3, y: 4 }, in: { x: -2, y: -6 } })
  })

  it('are aligned to the marked one, spaced, and chosen by kind and position', () => {
    choose(hand, '0 2')
    markReference(hand.bench)
    choose(hand, '0 0', '0 1', '0 2')
    alignNodes(hand.bench, 'y')
    expect(places(hand)).toEqual([
      [4, 16],
      [16, 16],
      [16, 16],
      [4, 16],
    ])
    hand.bench.store.setState({ markedNode: null })
    undoStep(hand.bench.session)
    choose(hand, '0 0', '0 1', '0 2', '0 3')
    spaceNodes(hand.bench, 'x')
    expect(
      nodesOf(hand)
        .map(({ x }) => x)
        .sort((a, b) => a - b),
    ).toEqual([4, 8, 12, 16])
    choose(hand, '0 0', '0 2')
    selectNodes(hand.bench, 'between')
    expect(hand.bench.store.getState().nodes.size).toBe(3)
    selectNodes(hand.bench, 'others')
    expect([...hand.bench.store.getState().nodes]).toEqual(['0 3'])
  })

  it('open a path and join its ends again', () => {
    choose(hand, '0 1')
    openHere(hand.bench)
    expect(places(hand)).toEqual([
      [16, 4],
      [16, 16],
      [4, 16],
      [4, 4],
      [16, 4],
    ])
    choose(hand, '0 0', '0 4')
    joinNodes(hand.bench)
    expect((hand.objects[0] as PathObject).contours).toMatchObject([
      { closed: true, nodes: [{ x: 16 }, { x: 16 }, { x: 4 }, { x: 4 }] },
    ])
  })

  it('of a shape that cannot express the edit ask once, and then say what went', () => {
    hand = new Hand(box('b', 4, 4, 12, 10), { kind: 'ellipse', id: 'e', name: 'e', x: 4, y: 16, w: 8, h: 6, style })
    hand.bench.select(['b'])
    hand.drag('nodes', [4, 4], [6, 4])
    const { question } = hand.bench.read(LOSS)
    expect(question).toMatchObject({ name: 'b', lost: 'width, height and turn as numbers' })
    expect([hand.bench.objects[0]!.kind, hand.objects[0]!.kind]).toEqual(['rectangle', 'path'])
    hand.bench.drop()
    expect(hand.objects[0]!.kind).toBe('rectangle')
    question!.accept()
    hand.bench.put(LOSS, { question: null })
    expect(hand.bench.objects[0]).toMatchObject({ kind: 'path', contours: [{ nodes: [{ x: 6, y: 4 }, {}, {}, {}] }] })
    hand.bench.select(['e'])
    hand.drag('nodes', [12, 19], [14, 19])
    expect([hand.bench.objects[1]!.kind, hand.bench.read(LOSS).question]).toEqual(['path', null])
    undoStep(hand.bench.session)
    expect(hand.bench.objects[1]!.kind).toBe('ellipse')
  })

  it('of a mirror’s member are reached through it, and its image follows', () => {
    hand = new Hand({
      kind: 'mirror',
      id: 'm',
      name: 'm',
      at: { x: 12, y: 12 },
      angle: 90,
      folds: 1,
      flip: true,
      members: [path('p', false, [12, 4], [5, 10], [12, 20])],
    })
    hand.bench.take('nodes')
    hand.drag('nodes', [8.5, 7])
    expect([hand.selection, hand.bench.scope?.id]).toEqual([['p'], 'm'])
    hand.drag('nodes', [5, 10], [3, 10])
    expect(pathBounds(outline(hand.objects[0]!, sceneOf(hand.bench.rules)))).toMatchObject({ x: 3, w: 18 })
  })
})

describe('strokes', () => {
  it('are drawn on to the edge they would meet, and cut back to the one they cross', () => {
    const hand = new Hand(line('wall', 18, 0, 18, 24), path('p', false, [4, 4], [10, 8]), line('bar', 6, 0, 6, 24))
    hand.bench.select(['p'])
    choose(hand, '0 1')
    fitEnd(hand.bench, 'extend')
    expect(places(hand)[1]).toEqual([18, expect.closeTo(4 + (14 * 4) / 6, 9)])
    choose(hand, '0 1')
    fitEnd(hand.bench, 'shorten')
    expect(places(hand)[1]).toEqual([6, expect.closeTo(4 + (2 * 4) / 6, 9)])
  })

  it('put into one path move together where their ends meet', () => {
    const hand = new Hand(line('a', 4, 4, 12, 12), path('p', false, [12, 12], [20, 4]), line('c', 12, 12, 12, 20))
    hand.bench.select(['a', 'p', 'c'])
    gatherStrokes(hand.bench)
    expect(hand.objects).toMatchObject([{ kind: 'path', id: 'a' }])
    hand.bench.take('nodes')
    hand.drag('nodes', [12, 12], [12, 10])
    expect(
      (hand.objects[0] as PathObject).contours.map(
        ({ nodes }) => nodes.filter(({ x, y }) => x === 12 && y === 10).length,
      ),
    ).toEqual([1, 1, 1])
    undoStep(hand.bench.session)
    undoStep(hand.bench.session)
    expect(hand.objects).toHaveLength(3)
  })

  it('lose needless nodes, and shapes become paths with their corners live', () => {
    const hand = new Hand(
      path('p', false, [2, 2], [6, 2.001], [10, 2], [14, 2.001], [20, 2]),
      box('b', 4, 8, 8, 6, { corner: 'outer' }),
    )
    hand.bench.select(['p'])
    simplifyPaths(hand.bench)
    expect(places(hand)).toEqual([
      [2, 2],
      [20, 2],
    ])
    hand.bench.select(['b'])
    fixToPath(hand.bench)
    expect(hand.objects[1]).toMatchObject({
      kind: 'path',
      corner: 'outer',
      contours: [{ closed: true, nodes: [{ x: 4, y: 8 }, { x: 12, y: 8 }, {}, {}] }],
    })
  })
})
