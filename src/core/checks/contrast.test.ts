import { expect, it } from 'vitest'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { DrawingObject } from '../drawing/objects/object'
import { SAMPLE_RULES as rules } from '../../testing/sample-rules'
import { lowContrast } from './drawing/low-contrast'

it('measures the contrast of a plate only where something lies on it', () => {
  const style = { fill: '#d5401b', stroke: 'none', weight: 'main' }
  const plate = { kind: 'plate', id: 'p', name: 'p', plate: 'disc', at: { x: 19, y: 19 }, map: [0.2, 0, 0, 0.2], style }
  const found = (at: number) =>
    lowContrast.find({
      objects: [plate, { kind: 'ellipse', id: 'a', name: 'a', x: at, y: at, w: 6, h: 6, style }] as DrawingObject[],
      rules,
      scene: sceneOf(rules),
    })
  expect(found(3)).toEqual([])
  expect(found(15)).toHaveLength(1)
})
