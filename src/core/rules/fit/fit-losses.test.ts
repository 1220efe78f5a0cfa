import { describe, expect, it } from 'vitest'
import type { DrawingObject } from '../../drawing/objects/object'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { inkOfAll } from '../../drawing/scene/ink'
import { SAMPLE_RULES } from '../../../testing/sample-rules'
import { fitLossesOf, originalOf } from './fit-losses'

const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const line = (id: string, x: number, y: number, to: readonly [number, number]): DrawingObject =>
  ({ kind: 'line', id, name: id, from: { x, y }, to: { x: to[0], y: to[1] }, style }) as DrawingObject
const roof = (peak: number): DrawingObject =>
  ({
    kind: 'path',
    id: 'roof',
    name: 'roof',
    corner: 0,
    contours: [
      {
        closed: true,
        nodes: [
          { x: 4, y: 18 },
          { x: peak, y: 6 },
          { x: 20, y: 18 },
        ],
      },
    ],
    style,
  }) as DrawingObject
const ink = (...objects: DrawingObject[]) => inkOfAll(evaluateAll(objects, sceneOf(SAMPLE_RULES)))
const losses = (before: DrawingObject[], after: DrawingObject[]) =>
  fitLossesOf(originalOf(ink(...before), ink(...before), 1), ink(...after))

describe('what would be sent back of a picture', () => {
  const rafter = line('rafter', 8, 12, [16, 12])

  it('is nothing where it is the same, or only drawn from another end', () => {
    expect(losses([roof(12), rafter], [roof(12), rafter])).toEqual([])
    expect(losses([roof(12), rafter], [line('rafter', 16, 12, [8, 12]), roof(12)])).toEqual([])
  })

  it('is an end that comes through a wall, at its place', () => {
    const [loss] = losses([roof(12), rafter], [roof(12), line('rafter', 6.4, 12, [16, 12])])
    expect(loss!.what).toBe('segments')
    expect(Math.hypot(loss!.at.x - 5.5, loss!.at.y - 12)).toBeLessThan(2)
  })

  it('is one of two that were mirror images and is turned by itself, but not both alike', () => {
    const left = line('left', 3, 4, [8, 16]),
      right = line('right', 21, 4, [16, 16])
    expect(losses([left, right], [left, line('right', 21, 4, [16.5, 16])]).map(({ what }) => what)).toContain(
      'lopsided',
    )
    expect(losses([left, right], [line('left', 3, 4, [7.5, 16]), line('right', 21, 4, [16.5, 16])])).toEqual([])
  })

  it('is a contour that was its own mirror image and leans', () => {
    expect(losses([roof(12)], [roof(11.5)]).map(({ what }) => what)).toContain('lopsided')
    expect(losses([roof(11.5)], [roof(11.6)])).toEqual([])
  })

  it('is a contour that lies elsewhere or is of another size', () => {
    const dot = (x: number, y: number, long: number) => line('dot', x, y, [x + long, y])
    expect(losses([roof(12), dot(4, 22, 6)], [roof(12), dot(5, 22, 6)])).toEqual([])
    expect(losses([roof(12), dot(4, 22, 6)], [roof(12), dot(5.6, 22, 6)]).map(({ what }) => what)).toEqual(['moved'])
    expect(losses([roof(12), dot(4, 22, 6)], [roof(12), dot(5, 22, 2)]).map(({ what }) => what)).toEqual(['moved'])
  })

  it('is a contour that comes, goes, or all but vanishes', () => {
    const dot = line('dot', 12, 22, [13, 22])
    expect(losses([roof(12), dot], [roof(12)])[0]).toMatchObject({ what: 'contours', at: { x: 12.5, y: 22 } })
    expect(losses([roof(12)], [roof(12), dot])[0]!.what).toBe('contours')
    const small = { ...dot, style: { ...style, weight: 0.1 } } as DrawingObject
    expect(losses([roof(12), dot], [roof(12), small])[0]!.what).toBe('contours')
  })
})
