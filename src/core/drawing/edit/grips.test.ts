import { sceneOf } from '../evaluate/evaluated-scene'
import { describe, expect, it } from 'vitest'
import { STARTERS } from '../../rules/starters'
import { gripsOf, pullGrip } from './grips'
import type { DrawingObject } from '../objects/object'
import { polygon, style } from '../../../testing/samples'

const values = STARTERS[0]!.rules

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
