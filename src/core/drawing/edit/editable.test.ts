import { sceneOf } from '../evaluate/evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apart } from '../../../testing/apart'
import { segmentCount, transformPath } from '../../geometry/path'
import { rotation } from '../../geometry/transform'
import { STARTERS } from '../../rules/starters'
import { renameValues } from '../../rules/renames'
import { namesUsed } from '../objects/visit'
import { afterEdit, editable } from './editable'
import { outline } from '../evaluate/evaluate'
import { changeNodes, moveNodes, removeNodes } from './node-edit'
import { insertNode, pullSegment } from './segment-edit'
import type { DrawingObject } from '../objects/object'
import { walk } from '../objects/tree'
import { path, polygon, style } from '../../../testing/samples'
import { runs } from '../../../testing/runs'

const values = STARTERS[0]!.rules
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
      runs(60),
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
