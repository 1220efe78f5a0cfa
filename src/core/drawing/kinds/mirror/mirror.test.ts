import { sceneOf } from '../../evaluate/evaluated-scene'
import { describe, expect, it } from 'vitest'
import { apart } from '../../../../testing/apart'
import { area } from '../../../geometry/area'
import { segmentCount, transformPath } from '../../../geometry/path'
import { rotation } from '../../../geometry/transform'
import { STARTERS } from '../../../rules/starters'
import { evaluate, outline } from '../../evaluate/evaluate'
import { halfOf, imagesOf, mirrored } from './images'
import { nodesOf } from '../../model/nodes'
import type { DrawingObject } from '../../objects/object'
import { path } from '../../../../testing/samples'

const values = STARTERS[0]!.rules

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
