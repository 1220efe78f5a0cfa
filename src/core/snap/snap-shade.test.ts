import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shareAt } from '../drawing/model/gradient'
import type { DrawingObject } from '../drawing/objects/object'
import type { Linear } from '../drawing/model/paint'
import { outline } from '../drawing/evaluate/evaluate'
import { pointAt } from '../geometry/segment'
import { STARTERS } from '../rules/starters'
import { snapShade } from './snap-shade'
import { snapTargets } from './targets'

const { rules } = STARTERS[0]!
const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const nothing = {
  grid: false,
  keylines: false,
  guides: false,
  nodes: false,
  middles: false,
  crossings: false,
  tangents: false,
  extensions: false,
  gaps: false,
  edges: false,
}
const shade = (from: { x: number; y: number }, to: { x: number; y: number }): Linear => ({
  kind: 'linear',
  from,
  to,
  stops: [
    { at: 0, color: 'ink' },
    { at: 1, color: 'ink' },
  ],
})
const ellipse = (w: number, h: number, turn: number): DrawingObject => ({
  kind: 'ellipse',
  id: 'e',
  name: 'e',
  x: 6,
  y: 7,
  w,
  h,
  ...(turn !== 0 && { turn }),
  style,
})
const drop: DrawingObject = {
  kind: 'path',
  id: 'p',
  name: 'p',
  corner: 0,
  style,
  contours: [
    {
      closed: true,
      nodes: [
        { x: 12, y: 4, out: { x: 3, y: 5 } },
        { x: 12, y: 20, in: { x: 8, y: 0 }, out: { x: -8, y: 0 } },
      ],
    },
  ],
}

describe('the edge of a shade', () => {
  it('touches a curve where it snaps to it: all of the curve is on one side, and it is there', () => {
    const shapes = fc.oneof(
      fc
        .record({
          w: fc.integer({ min: 3, max: 14 }),
          h: fc.integer({ min: 3, max: 14 }),
          turn: fc.constantFrom(0, 25, -60),
        })
        .map(({ w, h, turn }) => ellipse(w, h, turn)),
      fc.constant(drop),
    )
    fc.assert(
      fc.property(shapes, fc.integer({ min: 0, max: 359 }), (object, degrees) => {
        const angle = (degrees * Math.PI) / 180,
          way = shade({ x: 12, y: 12 }, { x: 12 + 20 * Math.cos(angle), y: 12 + 20 * Math.sin(angle) })
        const shares = outline(object, sceneOf(rules)).flatMap(({ segments }) =>
          segments.flatMap((segment) => Array.from({ length: 201 }, (_, i) => shareAt(way, pointAt(segment, i / 200)))),
        )
        const most = Math.max(...shares)
        const found = snapShade(way, most + 0.004, snapTargets(rules, [object], { ...nothing, tangents: true }), 0.4)
        // A corner of the path may be farther out than any place where it is touched.
        if (!found) return expect(object.kind).toBe('path')
        expect(found.place.label).toBe('tangent')
        expect(Math.abs(shareAt(way, found.place.at) - found.share)).toBeLessThan(1e-9)
        if (object.kind === 'ellipse') expect(Math.abs(found.share - most)).toBeLessThan(2e-4)
      }),
    )
  })

  it('goes through a node however far across the way that lies, and is left alone out of reach or with nothing switched on', () => {
    const way = shade({ x: 0, y: 12 }, { x: 20, y: 12 })
    const far: DrawingObject = {
      kind: 'line',
      id: 'l',
      name: 'l',
      from: { x: 7.25, y: 200 },
      to: { x: 30, y: 220 },
      style,
    }
    const targets = snapTargets(rules, [far], { ...nothing, nodes: true })
    expect(snapShade(way, 0.37, targets, 0.5)).toMatchObject({
      share: expect.closeTo(7.25 / 20, 12),
      place: { label: 'node' },
    })
    expect(snapShade(way, 0.45, targets, 0.5)).toBeNull()
    expect(snapShade(way, 0.37, snapTargets(rules, [far], nothing), 0.5)).toBeNull()
    expect(snapShade(shade({ x: 3, y: 3 }, { x: 3, y: 3 }), 0.5, targets, 0.5)).toBeNull()
  })
})
