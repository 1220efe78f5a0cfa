import { describe, expect, it } from 'vitest'
import { random, randomShape } from '../../../testing/shapes'
import { runs } from '../../../testing/runs'
import { type Contour, pathBounds, transformPath } from '../../geometry/path'
import type { Transform } from '../../geometry/transform'
import { mirroredPairs } from './mirror-image'

const NEAR = 0.01
const boxed = (contour: Contour) => ({ contour, box: pathBounds([contour])! })

describe('pairs of mirror images', () => {
  it('are found for any contour and its image beside it, also a hair off, and not once one is stretched', () => {
    for (let seed = 1; seed <= runs(200).numRuns; seed++) {
      const next = random(seed)
      const [contour] = randomShape(next).path
      const one = boxed(contour!)
      for (const axis of ['x', 'y'] as const) {
        const far = axis === 'x' ? one.box.x + one.box.w + 1 + next() : one.box.y + one.box.h + 1 + next()
        const image = (stretch: number, off: number): Contour => {
          const map: Transform =
            axis === 'x'
              ? [-1, 0, 0, stretch, 2 * far + off, one.box.y * (1 - stretch)]
              : [stretch, 0, 0, -1, one.box.x * (1 - stretch), 2 * far + off]
          return transformPath([contour!], map)[0]!
        }
        expect(mirroredPairs([one, boxed(image(1, 0.004))], axis, NEAR), `${seed} ${axis}`).toHaveLength(1)
        expect(mirroredPairs([one, boxed(image(1.1, 0))], axis, NEAR), `${seed} ${axis}`).toEqual([])
      }
    }
  })
})
