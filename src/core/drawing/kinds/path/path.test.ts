import { sceneOf } from '../../evaluate/evaluated-scene'
import { describe, expect, it } from 'vitest'
import { area } from '../../../geometry/area'
import { rotation } from '../../../geometry/transform'
import { STARTERS } from '../../../rules/starters'
import { transformObject } from '../../objects/transform-object'
import { afterEdit } from '../../edit/editable'
import { evaluate, outline } from '../../evaluate/evaluate'
import { moveNodes } from '../../edit/node-edit'
import type { PathObject } from './schema'
import { toggledRegion } from './regions'
import { traced } from './trace'
import { path, style } from '../../../../testing/samples'

const values = STARTERS[0]!.rules
const at = (node: number) => ({ contour: 0, node })

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
