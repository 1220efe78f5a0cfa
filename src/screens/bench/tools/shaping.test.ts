import { SCALING } from '../operations/objects'
import { TURN } from './turn/gesture'
import { MEASURE } from './measure/gesture'
import { LAY } from './laying'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { beforeEach, describe, expect, it } from 'vitest'
import { outline } from '@/core/drawing/evaluate/evaluate'
import type { DrawingObject } from '@/core/drawing/objects/object'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { pathBounds } from '@/core/geometry/path'
import { guidesOf } from '@/core/set/set'
import { undoStep } from '../../session/session'
import { freshGuide, guideAt } from '../operations/guides'
import { dragGuide } from './guide-drag'
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
