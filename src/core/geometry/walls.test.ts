import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readPathData } from '../formats/path-reader'
import { nearestOnPath } from '../geometry/nearest'
import type { Path } from '../geometry/path'
import { transformPath } from '../geometry/path'
import { rotation } from '../geometry/transform'
import { winding } from '../geometry/winding'
import { combine } from '../planar/boolean'
import { narrows } from './walls'
import { runs } from '../../testing/runs'

const ink = (...data: string[]): Path =>
  combine(data.map((text) => ({ path: readPathData(text), role: 'adds' as const })))
const box = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}z`
const ring = (r: number, hole: number) =>
  combine([
    { path: readPathData(`M${12 - r} 12a${r} ${r} 0 1 1 ${2 * r} 0a${r} ${r} 0 1 1 ${-2 * r} 0z`), role: 'adds' },
    {
      path: readPathData(`M${12 - hole} 12a${hole} ${hole} 0 1 1 ${2 * hole} 0a${hole} ${hole} 0 1 1 ${-2 * hole} 0z`),
      role: 'cuts',
    },
  ])

describe('ground between walls', () => {
  it('is as wide as two boxes are apart, at any turn, and is told from a counter', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 14 }), fc.integer({ min: 0, max: 359 }), (tenths, turn) => {
        const gap = tenths / 10
        const turned = transformPath(ink(box(4, 6, 8 - gap, 12), box(12, 6, 8, 12)), rotation(turn, { x: 12, y: 12 }))
        const [one, ...more] = narrows(turned, 1.5, 0.5)
        expect(more).toEqual([])
        expect(one!.width).toBeCloseTo(gap, 6)
        expect(one!.isCounter).toBe(false)
      }),
      runs(60),
    )
  })

  it('within a ring is as wide as its hole, whichever way round its outlines run', () => {
    for (const hole of [0.3, 0.5, 0.7]) {
      const [one] = narrows(ring(6, hole), 1.5, 0.2)
      expect(one!.isCounter).toBe(true)
      expect(one!.width).toBeLessThanOrEqual(2 * hole + 1e-6)
      expect(one!.width).toBeGreaterThan(2 * hole * 0.97)
      const back = ring(6, hole).map(({ segments, closed }) => ({
        closed,
        segments: segments
          .toReversed()
          .map((segment) =>
            segment.kind === 'arc'
              ? { ...segment, from: segment.to, to: segment.from, sweep: !segment.sweep }
              : { ...segment, from: segment.to, to: segment.from },
          ),
      })) as Path
      expect(narrows(back, 1.5, 0.2)[0]!.width).toBeCloseTo(one!.width, 6)
    }
  })

  it('is not where ground is wide, where walls meet at a corner, or within the ink', () => {
    expect(narrows(ink(box(4, 4, 16, 16)), 1.5, 0.5)).toEqual([])
    expect(narrows(ink(box(4, 4, 4, 16), box(4, 4, 16, 4)), 1.5, 0.5)).toEqual([])
    expect(narrows(ink(box(4, 11.5, 16, 1)), 1.5, 0.5)).toEqual([])
    expect(narrows(ink(box(2, 4, 8, 16), box(12, 4, 8, 16)), 1.5, 0.5)).toEqual([])
  })

  it('lies between two places of the outline, and nothing but ground between them', () => {
    const part = fc.record({
      x: fc.integer({ min: 4, max: 18 }),
      y: fc.integer({ min: 4, max: 18 }),
      r: fc.integer({ min: 2, max: 5 }),
    })
    fc.assert(
      fc.property(fc.array(part, { minLength: 2, maxLength: 5 }), (parts) => {
        const path = ink(
          ...parts.map(({ x, y, r }, i) =>
            i % 2
              ? box(x - r + 0.3, y - r, 2 * r, 2 * r)
              : `M${x - r} ${y}a${r} ${r} 0 1 1 ${2 * r} 0a${r} ${r} 0 1 1 ${-2 * r} 0z`,
          ),
        )
        for (const { from, to, width } of narrows(path, 1.5, 0.4)) {
          expect(Math.hypot(to.x - from.x, to.y - from.y)).toBeCloseTo(width, 6)
          for (const end of [from, to]) expect(nearestOnPath(path, end)!.distance).toBeLessThan(0.03)
          if (width > 0.1) expect(winding(path, { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 })).toBe(0)
        }
      }),
      runs(80),
    )
  })
})
