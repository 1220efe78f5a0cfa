import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { style } from '../../testing/samples'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { DrawingObject } from '../drawing/objects/object'
import { STARTERS } from '../rules/starters'
import { snagsIn } from './snags'

const box = (x: number, y: number, w: number, h: number, corner: number | string): DrawingObject =>
  ({ kind: 'rectangle', id: 'a', name: 'a', x, y, w, h, corner, style }) as DrawingObject
const circle = (c: number, r: number): DrawingObject =>
  ({ kind: 'ellipse', id: 'a', name: 'a', x: c - r, y: c - r, w: 2 * r, h: 2 * r, style }) as DrawingObject
const line = (id: string, x: number, y: number, to: readonly [number, number], more: object = {}): DrawingObject =>
  ({
    kind: 'line',
    id,
    name: id,
    from: { x, y },
    to: { x: to[0], y: to[1] },
    style: { ...style, ...more },
  }) as DrawingObject

describe('the checks of rule books', () => {
  it('find nothing in a rectangle, a circle and a line of any built-in book, drawn on its step with its values', () => {
    for (const { name, rules: book } of STARTERS) {
      const [main] = book.weights,
        corner = book.radii[0]?.name ?? 0,
        { w, h } = book.keylines.find(({ shape }) => shape === 'rectangle') ?? { w: 18, h: 18 }
      // With its middle line half its weight inside the keyline, its edges are on pixels.
      const inset = main!.value / 2,
        x = (book.grid.size - w) / 2 + inset,
        y = (book.grid.size - h) / 2 + inset
      const drawings = [
        [box(x, y, w - main!.value, h - main!.value, corner)],
        [circle(book.grid.size / 2, w / 2 - inset)],
        [
          line('a', x, y, [x, y + h - main!.value]),
          line('b', x + w - main!.value, y, [x + w - main!.value, y + h - main!.value]),
        ],
      ]
      for (const objects of drawings)
        expect([
          name,
          snagsIn({ objects, rules: book, scene: sceneOf(book) }).filter(({ severity }) => severity !== 'note'),
        ]).toEqual([name, []])
      for (const value of [x, y]) expect([name, value % book.grid.step]).toEqual([name, 0])
    }
  })

  it('take a stroke of one and a half pixels as crisp where one of its sides is', () => {
    const at = (y: number, step: number) => {
      const book = { ...SAMPLE_RULES, grid: { ...SAMPLE_RULES.grid, step }, weights: [{ name: 'main', value: 1.5 }] }
      const objects = [line('a', 4, y, [20, y], { cap: 'butt' })]
      return snagsIn({ objects, rules: book, scene: sceneOf(book) }).filter(({ check }) => check === 'off-pixel').length
    }
    expect([at(12.25, 0.25), at(12.75, 0.25), at(12.5, 0.25), at(12, 0.25)]).toEqual([0, 0, 1, 1])
    // No place on a step of a half is better than another.
    expect([at(12, 0.5), at(12.5, 0.5)]).toEqual([0, 0])
  })
})
