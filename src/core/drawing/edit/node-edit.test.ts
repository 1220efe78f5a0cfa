import { sceneOf } from '../evaluate/evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apart } from '../../../testing/apart'
import { distance } from '../../geometry/point'
import { pointAt } from '../../geometry/segment'
import { directionAt } from '../../geometry/slope'
import { STARTERS } from '../../rules/starters'
import { editable } from './editable'
import { outline } from '../evaluate/evaluate'
import { restored } from './restored'
import { removeNodes, setKind } from './node-edit'
import { closeContour, joinEnds, openAt, reverseContour } from './contour-edit'
import { insertNode, pullSegment, straighten } from './segment-edit'
import type { PathObject } from '../kinds/path/schema'
import { path, style } from '../../../testing/samples'

const values = STARTERS[0]!.rules
const square = () =>
  path([
    { x: 4, y: 4 },
    { x: 20, y: 4 },
    { x: 20, y: 20 },
    { x: 4, y: 20 },
  ])
const at = (node: number) => ({ contour: 0, node })

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

  it('gives the same bytes back where a node is inserted and taken out again', () => {
    const plain = square()
    const shapes: PathObject[] = [
      plain,
      setKind(plain, [at(0), at(1), at(2), at(3)], 'symmetric'),
      setKind(plain, [at(0), at(1)], 'smooth'),
      editable({ kind: 'ellipse', id: 'e', name: 'e', x: 4, y: 6, w: 16, h: 10, style }, sceneOf(values))!,
      path([
        { x: 3, y: 3.5, out: { x: 4.25, y: 0 }, cap: 'butt' },
        { x: 12, y: 9, in: { x: 0, y: -3.5 }, corner: 'outer', cornerStyle: 'bevel', join: 'bevel' },
        { x: 20.5, y: 20 },
      ]),
    ]
    fc.assert(
      fc.property(
        fc.constantFrom(...shapes),
        fc.nat(3),
        fc.oneof(fc.constantFrom(0.25, 0.5, 0.75), fc.double({ min: 0.05, max: 0.95, noNaN: true })),
        (shape, side, t) => {
          const { nodes, closed } = shape.contours[0]!,
            node = side % (closed ? nodes.length : nodes.length - 1)
          const moved = {
            ...shape,
            name: 'moved',
            contours: [{ ...shape.contours[0]!, nodes: nodes.map((one) => ({ ...one, x: one.x + 1 })) }],
          }
          const back = removeNodes(insertNode(shape, at(node), t), [at(node + 1)])!
          expect(JSON.stringify(restored(back, [moved, shape]))).toBe(JSON.stringify(shape))
          expect(restored(back, [moved])).toBe(back)
        },
      ),
    )
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
