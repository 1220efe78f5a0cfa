import { SCALING } from '../operations/objects'
import { TURN } from './turn/gesture'
import { MEASURE } from './measure/gesture'
import { LOSS } from '../operations/node-selection'
import { LAY } from './laying'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { beforeEach, describe, expect, it } from 'vitest'
import { outline } from '@/core/drawing/evaluate/evaluate'
import type { DrawingObject } from '@/core/drawing/model/object'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { pathBounds } from '@/core/geometry/path'
import { guidesOf } from '@/core/set/set'
import { undoStep } from '../../frame/session'
import { freshGuide, guideAt } from '../operations/guides'
import { dragGuide } from './guide-drag'
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
import { repeatTransform } from '../operations/objects'
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

describe('turning', () => {
  let hand: Hand
  beforeEach(() => {
    hand = new Hand(box('a', 4, 4, 4, 2))
    hand.bench.select(['a'])
    hand.bench.take('turn')
  })

  it('goes about the middle, or about the ring where it was dragged, by what was pulled', () => {
    hand.drag('turn', [12, 5], [6, 11])
    expect(hand.objects[0]).toMatchObject({ x: 4, y: 4, turn: 90 })
    undoStep(hand.bench.session)
    hand.drag('turn', [6, 5], [12, 12])
    hand.drag('turn', [20, 12], [12, 20])
    expect(hand.objects[0]).toMatchObject({ x: 17, y: 5, turn: 90 })
  })

  it('leaves a copy with Alt, and does the same again', () => {
    hand.drag('turn', [6, 5], [12, 12])
    hand.drag('turn', [20, 12], [12, 20], { alt: true })
    repeatTransform(hand.bench, true)
    const boxes = hand.objects.map((object) => pathBounds(outline(object, sceneOf(hand.bench.rules)))!)
    expect(boxes).toHaveLength(3)
    expect(boxes[1]).toMatchObject({ x: expect.closeTo(18, 9), y: expect.closeTo(4, 9) })
    expect(boxes[2]).toMatchObject({ x: expect.closeTo(16, 9), y: expect.closeTo(18, 9) })
  })

  it('scales from the pivot, own weights and corners only where that is switched on', () => {
    hand = new Hand(
      box('a', 4, 4, 4, 2, { corner: 0.5, style: { ...style, weight: 1 } }),
      box('b', 4, 10, 4, 2, { corner: 'outer' }),
    )
    hand.bench.put(TURN, { turnBy: 'scale' })
    hand.bench.put(SCALING, { scaleOwn: true })
    hand.bench.select(['a', 'b'])
    hand.bench.store.setState({ pivot: { x: 0, y: 0 } })
    hand.drag('turn', [10, 10], [20, 20], { shift: true })
    expect(hand.objects).toMatchObject([
      { x: 8, y: 8, w: 8, h: 4, corner: 1, style: { weight: 2 } },
      { w: 8, corner: 'outer', style: { weight: 'main' } },
    ])
  })

  it('slants, keeping level lines level', () => {
    hand.bench.put(TURN, { turnBy: 'slant' })
    hand.bench.store.setState({ pivot: { x: 6, y: 6 } })
    hand.drag('turn', [6, 2], [10, 2])
    const { y, h, w } = pathBounds(outline(hand.objects[0]!, sceneOf(hand.bench.rules)))!
    expect([y, h, w]).toEqual([expect.closeTo(4, 9), expect.closeTo(2, 9), expect.closeTo(6, 9)])
  })
})

describe('mirroring', () => {
  it('turns over at the line that is drawn, or upright through a click, and leaves the original with Alt', () => {
    const hand = new Hand(box('a', 4, 4, 4, 2, { corners: [1, 0, 0, 0] }))
    hand.bench.select(['a'])
    hand.drag('mirror', [12, 5])
    expect(hand.objects).toMatchObject([{ x: 16, y: 4, corners: [0, 1, 0, 0] }])
    hand.drag('mirror', [0, 12], [20, 12], { alt: true })
    expect(hand.objects.map((object) => pathBounds(outline(object, sceneOf(hand.bench.rules)))!.y)).toEqual([4, 18])
  })
})

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

describe('rounding corners', () => {
  it('sets one corner of a path or a rectangle, all of a polygon, and stays live', () => {
    const hand = new Hand(box('b', 4, 4, 12, 10), path('p', true, [2, 16], [10, 16], [10, 22], [2, 22]), {
      kind: 'polygon',
      id: 's',
      name: 's',
      x: 12,
      y: 2,
      w: 10,
      h: 10,
      sides: 4,
      corner: 0,
      style,
    })
    hand.bench.select(['b'])
    hand.drag('corner', [16, 14], [13, 11])
    expect(hand.objects[0]).toMatchObject({ kind: 'rectangle', corners: [0, 0, 3, 0] })
    hand.drag('corner', [4, 4], [6.05, 6], { shift: true })
    expect(hand.objects[0]).toMatchObject({ kind: 'rectangle', corner: 'outer' })
    expect(hand.objects[0]).not.toHaveProperty('corners')
    hand.bench.select(['p'])
    hand.drag('corner', [10, 16], [8.5, 17.5])
    expect(nodesOf(hand).map(({ corner }) => corner)).toEqual([undefined, 1.5, undefined, undefined])
    hand.bench.select(['s'])
    hand.drag('corner', [22, 7], [20.6, 7])
    expect(hand.objects[2]).toMatchObject({ kind: 'polygon', sides: 4, corner: 'inner' })
  })
})

describe('laying by other ways', () => {
  it('tilted: a baseline, then a height', () => {
    const hand = new Hand()
    hand.bench.put(LAY, { layBy: { Rectangle: 'tilted', Ellipse: 'tilted' } })
    hand.drag('rectangle', [4, 16], [12, 10])
    hand.tools.rectangle!.hover!(at(15, 14))
    hand.drag('rectangle', [15, 14])
    const [shape] = hand.objects
    expect(shape).toMatchObject({ w: 10, h: 5, turn: expect.closeTo((-Math.atan2(6, 8) * 180) / Math.PI, 6) })
    const nodes = outline(
      { ...(shape as object), corner: 0 } as DrawingObject,
      sceneOf(hand.bench.rules),
    )[0]!.segments.map(({ from }) => [from.x, from.y])
    expect(nodes).toContainEqual([expect.closeTo(12, 9), expect.closeTo(10, 9)])
    expect(nodes).toContainEqual([expect.closeTo(15, 9), expect.closeTo(14, 9)])
  })

  it('by three places: through a node, touching two sides', () => {
    const hand = new Hand(line('a', 0, 20, 24, 20), line('b', 2, 0, 2, 24), path('p', false, [10, 12], [10, 2]))
    hand.bench.put(LAY, { layBy: { Ellipse: 'three' } })
    for (const [x, y] of [
      [6.3, 20],
      [2, 15.7],
      [10, 12],
    ] as const)
      hand.drag('ellipse', [x, y])
    const circle = hand.objects.at(-1) as Extract<DrawingObject, { kind: 'ellipse' }>
    const r = circle.w / 2,
      centre = { x: circle.x + r, y: circle.y + r }
    expect([centre.x - 2, 20 - centre.y, Math.hypot(centre.x - 10, centre.y - 12)]).toEqual([
      expect.closeTo(r, 9),
      expect.closeTo(r, 9),
      expect.closeTo(r, 9),
    ])
  })

  it('by a typed size and a click', () => {
    const hand = new Hand()
    hand.bench.put(LAY, { laySize: { w: 7, h: 3 } })
    hand.drag('rectangle', [4, 4])
    hand.drag('ellipse', [12, 12], [12, 12], { alt: true })
    expect(hand.objects).toMatchObject([
      { x: 4, y: 4, w: 7, h: 3 },
      { kind: 'ellipse', x: 8.5, y: 10.5, w: 7, h: 3 },
    ])
  })

  it('the pen inserts into what is selected, unless N is held', () => {
    const hand = new Hand(path('p', false, [4, 4], [20, 4]))
    hand.bench.select(['p'])
    hand.bench.take('pen')
    hand.tools.pen!.hover!(at(12, 4))
    expect(hand.bench.store.getState().inHand.intent?.word).toBe('inserts')
    hand.drag('pen', [12, 4])
    expect(places(hand)).toEqual([
      [4, 4],
      [12, 4],
      [20, 4],
    ])
  })
})

describe('guides and measuring', () => {
  it('a guide comes out of a ruler, is snapped to, moves, and goes back into the ruler', () => {
    const hand = new Hand()
    const layGuide = dragGuide(hand.bench, freshGuide({ x: 0, y: 0 }, 90), true, 22)
    layGuide.move(at(7.31, 5, { free: true }))
    layGuide.release(at(7.31, 5, { free: true }))
    expect(guidesOf(hand.bench.master!)).toMatchObject([{ at: { x: 7.31 }, angle: 90 }])
    hand.drag('line', [7.2, 3], [14, 3])
    expect(hand.objects).toMatchObject([{ from: { x: 7.31, y: 3 } }])
    hand.bench.select([])
    const guide = guideAt(hand.bench, { x: 7.3, y: 20 })!
    const back = dragGuide(hand.bench, guide, false, 22)
    back.move(at(1, 20))
    back.release(at(1, 20))
    expect(guidesOf(hand.bench.master!)).toEqual([])
    undoStep(hand.bench.session)
    expect(guidesOf(hand.bench.master!)).toHaveLength(1)
  })

  it('tells a distance, and the circle through three places', () => {
    const hand = new Hand()
    hand.drag('measure', [2, 2], [5, 6])
    expect(hand.bench.read(MEASURE).measured).toEqual({ kind: 'distance', from: { x: 2, y: 2 }, to: { x: 5, y: 6 } })
    hand.bench.put(MEASURE, { measureBy: 'circle' })
    for (const [x, y] of [
      [17, 12],
      [7, 12],
      [12, 17],
    ] as const)
      hand.drag('measure', [x, y])
    expect(hand.bench.read(MEASURE).measured).toMatchObject({
      kind: 'circle',
      circle: { centre: { x: expect.closeTo(12, 9), y: expect.closeTo(12, 9) }, r: expect.closeTo(5, 9) },
    })
    expect(hand.objects).toHaveLength(0)
  })
})
