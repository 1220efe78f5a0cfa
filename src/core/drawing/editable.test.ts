import { sceneOf } from './evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apart } from '../../../tools/apart'
import { area } from '../geometry/area'
import { segmentCount, transformPath } from '../geometry/path'
import { distance } from '../geometry/point'
import { pointAt } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { rotation } from '../geometry/transform'
import { STARTERS } from '../rules/starters'
import { renameValues } from '../rules/renames'
import { namesUsed } from './visit'
import { transformObject } from './transform-object'
import { afterEdit, editable } from './editable'
import { evaluate, outline } from './evaluate'
import { gripsOf, pullGrip } from './grips'
import { halfOf, imagesOf, mirrored } from './kinds/mirror/images'
import {
  changeNodes,
  closeContour,
  insertNode,
  joinEnds,
  moveNodes,
  openAt,
  pullSegment,
  removeNodes,
  reverseContour,
  setKind,
  straighten,
} from './node-edit'
import { nodesOf } from './nodes'
import type { DrawingObject } from './object'
import type { Node } from './node'
import type { PathObject } from './kinds/path/schema'
import { toggledRegion } from './kinds/path/regions'
import { traced } from './kinds/path/trace'
import { walk } from './tree'

const values = STARTERS[0]!.rules
const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const polygon = (sides: number, extra: object = {}): DrawingObject => ({
  kind: 'polygon',
  id: 'p',
  name: 'p',
  x: 4,
  y: 4,
  w: 16,
  h: 16,
  sides,
  corner: 0,
  style,
  ...extra,
})
const path = (nodes: Node[], closed = true): PathObject => ({
  kind: 'path',
  id: 'p',
  name: 'p',
  corner: 0,
  style,
  contours: [{ closed, nodes }],
})
const square = () =>
  path([
    { x: 4, y: 4 },
    { x: 20, y: 4 },
    { x: 20, y: 20 },
    { x: 4, y: 20 },
  ])
const at = (node: number) => ({ contour: 0, node })

describe('a polygon edited at one side', () => {
  const sides = fc.integer({ min: 3, max: 9 }),
    shift = fc.record({
      x: fc.integer({ min: -8, max: 8 }).map((v) => v / 4),
      y: fc.integer({ min: -8, max: 8 }).map((v) => v / 4),
    })
  const alikeAllRound = (object: DrawingObject, n: number) => {
    const whole = outline(object, sceneOf(values))
    expect(apart(transformPath(whole, rotation(360 / n, { x: 12, y: 12 })), whole)).toBeLessThan(1e-6)
  }

  it('is edited on every side, wherever the node is inserted, moved or curved', () => {
    fc.assert(
      fc.property(sides, shift, fc.nat(), fc.boolean(), (n, by, which, curve) => {
        const object = polygon(n),
          side = which % n
        const inserted = afterEdit(object, insertNode(editable(object, sceneOf(values))!, at(side), 0.4))
        expect(inserted.lost).toBeNull()
        expect(segmentCount(outline(inserted.object, sceneOf(values)))).toBe(2 * n)
        const run = editable(inserted.object, sceneOf(values))!
        const edited = curve
          ? pullSegment(run, at(2 * side + 1), 0.5, { x: 12 + 3 * by.x, y: 12 + by.y })
          : moveNodes(run, [at(2 * side + 1)], by)
        const moved = afterEdit(inserted.object, edited)
        expect(moved.lost).toBeNull()
        alikeAllRound(moved.object, n)
        if (!curve)
          expect(editable(moved.object, sceneOf(values))!.contours[0]!.nodes[2 * side + 1]!).toMatchObject({
            x: expect.closeTo(edited.contours[0]!.nodes[2 * side + 1]!.x, 9),
          })
      }),
      { numRuns: 60 },
    )
  })

  it('keeps its count to be changed afterwards, and is as it was when the node is taken out again', () => {
    const { object: inserted } = afterEdit(polygon(5), insertNode(editable(polygon(5), sceneOf(values))!, at(1), 0.5))
    const bent = afterEdit(inserted, moveNodes(editable(inserted, sceneOf(values))!, [at(3)], { x: 1, y: 0.5 })).object
    const eight = { ...bent, sides: 8 } as DrawingObject
    expect(segmentCount(outline(eight, sceneOf(values)))).toBe(16)
    alikeAllRound(eight, 8)
    const back = afterEdit(bent, removeNodes(editable(bent, sceneOf(values))!, [at(3)])!)
    expect(back).toEqual({ object: polygon(5), lost: null })
  })

  it('scales and turns with a corner that is moved', () => {
    const object = polygon(4),
      run = editable(object, sceneOf(values))!
    const { object: moved, lost } = afterEdit(object, moveNodes(run, [at(1)], { x: 4, y: 0 }))
    expect(lost).toBeNull()
    expect(moved).toMatchObject({ x: 0, y: 0, w: 24, h: 24, sides: 4 })
  })

  it('makes of a star’s inner nodes the same star', () => {
    const star = polygon(5, { depth: 0.4 })
    expect(
      apart(outline(star, sceneOf(values)), outline({ ...star, ...asSide(star) } as DrawingObject, sceneOf(values))),
    ).toBeLessThan(1e-9)
  })
})

const asSide = (star: DrawingObject) => {
  const run = editable(star, sceneOf(values))!
  const { object } = afterEdit(
    star,
    changeNodes(run, [at(1)], (node) => ({ ...node, corner: 0 })),
  )
  return object
}

describe('shapes that cannot express an edit', () => {
  it('become a path that looks the same but for the edit, and say what went', () => {
    const rectangle: DrawingObject = {
      kind: 'rectangle',
      id: 'r',
      name: 'r',
      x: 4,
      y: 4,
      w: 16,
      h: 10,
      corner: 'outer',
      style,
    }
    const run = editable(rectangle, sceneOf(values))!
    expect(apart(outline(run, sceneOf(values)), outline(rectangle, sceneOf(values)))).toBeLessThan(1e-9)
    const { object, lost } = afterEdit(rectangle, moveNodes(run, [at(0)], { x: 2, y: 0 }))
    expect([object.kind, lost]).toEqual(['path', 'width, height and turn as numbers'])
    expect(object).toMatchObject({
      corner: 'outer',
      contours: [
        {
          nodes: [
            { x: 6, y: 4 },
            { x: 20, y: 4 },
            { x: 20, y: 14 },
            { x: 4, y: 14 },
          ],
        },
      ],
    })
  })
})

describe('editing nodes', () => {
  it('inserts without moving the course, on lines, arcs and cubics', () => {
    const shapes = [
      square(),
      editable({ kind: 'ellipse', id: 'e', name: 'e', x: 4, y: 6, w: 16, h: 10, style }, sceneOf(values))!,
      setKind(square(), [at(0), at(1)], 'smooth'),
    ]
    for (const shape of shapes) {
      for (const t of [0.2, 0.5, 0.9]) {
        const more = insertNode(shape, at(0), t)
        expect(more.contours[0]!.nodes).toHaveLength(shape.contours[0]!.nodes.length + 1)
        expect(apart(outline(more, sceneOf(values)), outline(shape, sceneOf(values)))).toBeLessThan(1e-6)
      }
    }
  })

  it('takes a node out again and is closed still, on the course it had', () => {
    const smooth = setKind(square(), [at(0), at(1), at(2), at(3)], 'symmetric')
    const back = removeNodes(insertNode(smooth, at(1), 0.35), [at(2)])!
    expect(back.contours[0]).toMatchObject({ closed: true })
    expect(back.contours[0]!.nodes).toHaveLength(4)
    expect(apart(outline(back, sceneOf(values)), outline(smooth, sceneOf(values)))).toBeLessThan(1e-3)
    expect(removeNodes(square(), [at(0), at(1), at(2)])).toBeNull()
  })

  it('opens at a node, joins the ends again, reverses twice: all the same course', () => {
    const open = openAt(square(), at(2))
    expect(open.contours[0]).toMatchObject({ closed: false, nodes: [{ x: 20, y: 20 }, {}, {}, {}, { x: 20, y: 20 }] })
    expect(closeContour(open, 0).contours[0]!.nodes).toHaveLength(4)
    const two: PathObject = {
      ...square(),
      contours: [
        {
          closed: false,
          nodes: [
            { x: 2, y: 2 },
            { x: 8, y: 2 },
          ],
        },
        {
          closed: false,
          nodes: [
            { x: 8, y: 9 },
            { x: 8, y: 2 },
          ],
        },
      ],
    }
    expect(joinEnds(two, { contour: 0, node: 1 }, { contour: 1, node: 1 })!.contours).toEqual([
      {
        closed: false,
        nodes: [
          { x: 2, y: 2 },
          { x: 8, y: 2 },
          { x: 8, y: 9 },
        ],
      },
    ])
    const curved = setKind(square(), [at(1)], 'smooth')
    expect(
      apart(outline(reverseContour(reverseContour(curved, 0), 0), sceneOf(values)), outline(curved, sceneOf(values))),
    ).toBeLessThan(1e-9)
  })

  it('pulls a segment through the pointer, and makes it straight again', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 0.9, noNaN: true }), fc.integer({ min: -6, max: 6 }), (t, y) => {
        const pulled = pullSegment(square(), at(0), t, { x: 12, y })
        const near = outline(pulled, sceneOf(values))[0]!.segments[0]!
        const places = Array.from({ length: 2001 }, (_, i) => i / 2000).map((u) =>
          distance(pointAt(near, u), { x: 12, y }),
        )
        expect(Math.min(...places)).toBeLessThan(0.02)
        expect(outline(straighten(pulled, [at(0)]), sceneOf(values))[0]!.segments[0]!.kind).toBe('line')
      }),
    )
  })

  it('keeps handles of smooth nodes in line', () => {
    const smooth = setKind(square(), [at(1)], 'smooth')
    const [a, b] = outline(smooth, sceneOf(values))[0]!.segments
    const d = directionAt(a!, 1),
      e = directionAt(b!, 0)
    expect(d.x * e.y - d.y * e.x).toBeCloseTo(0, 9)
  })
})

describe('grips', () => {
  it('set the number they lie at: pulled to where they are, they change nothing', () => {
    const shapes: DrawingObject[] = [
      { kind: 'rectangle', id: 'r', name: 'r', x: 2, y: 2, w: 16, h: 12, turn: 20, corner: 3, style },
      polygon(6, { corner: 1.5, depth: 0.3, turn: 15 }),
      {
        kind: 'ellipse',
        id: 'e',
        name: 'e',
        x: 2,
        y: 2,
        w: 16,
        h: 12,
        from: 20,
        to: 250,
        cut: 'pie',
        hole: 0.4,
        style,
      },
      {
        kind: 'arrow',
        id: 'a',
        name: 'a',
        x: 2,
        y: 2,
        w: 16,
        h: 12,
        turn: 20,
        head: 0.4,
        shaft: 0.3,
        back: true,
        corner: 0,
        style,
      },
      { kind: 'spiral', id: 's', name: 's', x: 2, y: 2, w: 16, h: 16, turns: 2, inner: 0.3, style },
    ]
    for (const object of shapes)
      for (const grip of gripsOf(object, sceneOf(values), 0.5))
        expect(
          pullGrip(object, grip.id, grip.at, sceneOf(values), { step: null, alone: false }).object,
          grip.id,
        ).toEqual(object)
  })

  it('take a radius from the rules where it comes to one, and one corner alone', () => {
    const object: DrawingObject = { kind: 'rectangle', id: 'r', name: 'r', x: 2, y: 2, w: 16, h: 12, corner: 0, style }
    expect(
      pullGrip(object, 'corner 0', { x: 4.1, y: 4.1 }, sceneOf(values), { step: 0.5, alone: false }),
    ).toMatchObject({
      object: { corner: 'outer' },
      figure: 'radius outer 2',
    })
    expect(
      pullGrip(object, 'corner 2', { x: 15, y: 11 }, sceneOf(values), { step: 0.5, alone: true }).object,
    ).toMatchObject({
      corner: 0,
      corners: [0, 0, 3, 0],
    })
  })
})

describe('live symmetry', () => {
  it('joins an open half to one closed outline, and a half of a half is where it was', () => {
    const half = path(
      [
        { x: 12, y: 3 },
        { x: 5, y: 9 },
        { x: 7, y: 18 },
        { x: 12, y: 21 },
      ],
      false,
    )
    const mirror: DrawingObject = {
      kind: 'mirror',
      id: 'm',
      name: 'm',
      at: { x: 12, y: 12 },
      angle: 90,
      folds: 1,
      flip: true,
      members: [half],
    }
    const [shape, ...more] = evaluate(mirror, sceneOf(values))
    expect([more.length, shape!.path.length, shape!.path[0]!.closed, segmentCount(shape!.path)]).toEqual([
      0,
      1,
      true,
      6,
    ])
    const again = halfOf(shape!.path, { x: 12, y: 12 }, 90, 1)
    expect(apart(again, outline(half, sceneOf(values)))).toBeLessThan(1e-9)
    expect(area(shape!.path)).toBeCloseTo(2 * area([{ segments: again[0]!.segments, closed: true }]), 9)
    expect(nodesOf(again[0]!).nodes).toHaveLength(4)
  })

  it('turns images around the centre, each the image of the one before', () => {
    const images = imagesOf({ at: { x: 12, y: 12 }, angle: 90, folds: 5, flip: true })
    expect(images).toHaveLength(10)
    const blade = outline(
      path([
        { x: 12, y: 10 },
        { x: 15, y: 3 },
        { x: 12, y: 2 },
      ]),
      sceneOf(values),
    )
    const all = mirrored(blade, images).flat()
    expect(apart(transformPath(all, rotation(72, { x: 12, y: 12 })), all)).toBeLessThan(1e-9)
  })
})

describe('joins and caps of single nodes', () => {
  it('paint what the whole path would with that join, there and nowhere else', () => {
    const own = path(
      [
        { x: 4, y: 20 },
        { x: 4, y: 4, join: 'miter' },
        { x: 20, y: 4 },
        { x: 20, y: 20, cap: 'square' },
      ],
      false,
    )
    const [shape] = evaluate(own, sceneOf(values))
    expect([shape!.stroke, shape!.fill !== null]).toEqual([null, true])
    // Two round caps and joins less: a mitred corner has the square's corner more than a quarter circle, a square cap
    // half a square more than half a circle.
    const plain = 2 * 48 + (2 * Math.PI) / 4 + Math.PI - 2
    expect(area(shape!.path)).toBeCloseTo(plain + (1 - Math.PI / 4) + (2 - Math.PI / 2), 9)
  })
})

describe('regions and strokes', () => {
  const crossed = path([
    { x: 4, y: 4 },
    { x: 20, y: 20 },
    { x: 20, y: 4 },
    { x: 4, y: 20 },
  ])
  const filled = (object: PathObject) =>
    evaluate({ ...object, style: { ...style, fill: 'ink' } }, sceneOf(values))
      .filter(({ fill }) => fill)
      .map(({ path: shape }) => area(shape))

  it('are filled one by one, and move with their path', () => {
    expect(filled(crossed)).toEqual([expect.closeTo(0, 9)])
    const left = toggledRegion({ ...crossed, regions: [] }, outline(crossed, sceneOf(values)), { x: 8, y: 12 })!
    expect(filled(left)).toEqual([expect.closeTo(64, 9)])
    expect(filled(transformObject(left, rotation(40, { x: 3, y: 3 })))).toEqual([expect.closeTo(64, 9)])
    const right = toggledRegion(crossed, outline(crossed, sceneOf(values)), { x: 8, y: 12 })!
    expect(right.regions).toHaveLength(1)
    expect(right.regions![0]!.x).toBeGreaterThan(12)
    expect(toggledRegion(crossed, outline(crossed, sceneOf(values)), { x: 1, y: 1 })).toBeNull()
  })

  it('of open strokes that share nodes are regions as well', () => {
    const open: PathObject = {
      ...crossed,
      contours: [
        [
          [4, 4],
          [20, 4],
        ],
        [
          [20, 4],
          [12, 18],
        ],
        [
          [12, 18],
          [4, 4],
        ],
      ].map((ends) => ({ closed: false, nodes: ends.map(([x, y]) => ({ x: x!, y: y! })) })),
    }
    const one = toggledRegion({ ...open, regions: [] }, outline(open, sceneOf(values)), { x: 12, y: 8 })!
    expect(filled(one)).toEqual([expect.closeTo(112, 9)])
  })
})

describe('what a hand drew', () => {
  it('stays to be smoothed otherwise: coarser with fewer nodes, finer nearer to the hand', () => {
    const points = Array.from({ length: 200 }, (_, i) => ({
      x: 3 + i / 11,
      y: 12 + 4 * Math.sin(i / 12) + 0.15 * Math.sin(i * 1.7),
    }))
    const count = (smoothness: number) => traced({ points, smoothness, closed: false })!.contours[0]!.nodes.length
    expect(count(0.4)).toBeLessThan(count(0.1))
    const drawn: PathObject = {
      ...path(
        [
          { x: 0, y: 0 },
          { x: 1, y: 1 },
        ],
        false,
      ),
      ...traced({ points, smoothness: 0.2, closed: false })!,
    }
    const moved = moveNodes(drawn, [at(1)], { x: 0.5, y: 0 })
    expect((afterEdit(drawn, moved).object as PathObject).trace).toBeUndefined()
    expect((transformObject(drawn, [1, 0, 0, 1, 2, 0]) as PathObject).trace!.points[0]!.x).toBeCloseTo(5, 9)
  })
})

describe('names of the rules', () => {
  it('are found and renamed wherever an object refers to them: its corner, single corners, nodes, the side of a polygon', () => {
    const named = (name: string): DrawingObject[] => [
      { kind: 'rectangle', id: 'r', name: 'r', x: 0, y: 0, w: 4, h: 4, corner: 0, corners: [0, name, 0, 0], style },
      polygon(5, { side: { nodes: [{ x: 0.5, y: 0.1, corner: name }] } }),
      { kind: 'arrow', id: 'a', name: 'a', x: 0, y: 0, w: 4, h: 4, head: 0.5, shaft: 0.5, corner: name, style },
      {
        kind: 'mirror',
        id: 'm',
        name: 'm',
        at: { x: 2, y: 2 },
        angle: 90,
        folds: 1,
        flip: true,
        members: [
          path(
            [
              { x: 1, y: 1, corner: name },
              { x: 2, y: 2 },
            ],
            false,
          ),
        ],
      },
    ]
    const all = (objects: DrawingObject[]) =>
      [...walk(objects)].flatMap(({ object }) =>
        [...namesUsed(object)].filter(({ kind }) => kind === 'radius').map(({ name }) => name),
      )
    expect(all(named('outer'))).toEqual(['outer', 'outer', 'outer', 'outer'])
    expect(renameValues(named('outer'), [{ kind: 'radius', from: 'outer', to: 'rim' }])).toEqual(named('rim'))
  })
})
