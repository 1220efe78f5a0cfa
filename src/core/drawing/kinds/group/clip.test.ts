import { describe, expect, it } from 'vitest'
import { jittered, random, randomShape } from '../../../../testing/shapes'
import { area } from '../../../geometry/area'
import type { Path } from '../../../geometry/path'
import { offset } from '../../../outline/offset'
import { roundContour } from '../../../outline/corner'
import { strokedArea } from '../../../outline/stroking'
import { combine } from '../../../planar/boolean'
import { clipped } from './clip'
import type { Shape } from '../../scene/shape'
import type { ResolvedPaint, ResolvedStroke } from '../../model/resolved'

const INK: ResolvedPaint = { name: '#14231f', light: '#14231f', dark: '#f4f7f5', ink: false, opacity: 1 }
const STROKE = { width: 1.5, cap: 'round', join: 'miter', miterLimit: 4 } as const
const painted = (path: Path, isStroke: boolean): Shape => ({
  id: 'a',
  path,
  fill: isStroke ? null : INK,
  stroke: isStroke ? ({ ...STROKE, paint: INK } as ResolvedStroke) : null,
})
const within = (a: Path, b: Path) =>
  area(
    combine([
      { path: a, role: 'adds' },
      { path: b, role: 'cuts' },
    ]),
  )

/** Two shapes that nearly touch, share sides or coincide, and how far they are off. */
function two(seed: number): { a: Path; b: Path; slack: number } {
  const next = random(seed),
    off = 10 ** (-9 + 4 * next())
  const first = randomShape(next).path,
    second = seed % 3 === 0 ? first : randomShape(next).path
  return { a: jittered(first, off, next), b: jittered(second, off, next), slack: 1e-4 + 400 * off }
}

const seeds = Array.from({ length: 90 }, (_, i) => i + 1)

describe('masks', () => {
  it('leave inside and outside what together is the whole, of fills and of strokes', () => {
    for (const seed of seeds) {
      const { a, b, slack } = two(seed)
      const mask = combine([{ path: b, role: 'adds' }])
      for (const one of [painted(a, false), painted(a, true)]) {
        const left = (keep: 'inside' | 'outside') =>
          clipped([one], mask, keep).reduce((sum, { path }) => sum + area(path), 0)
        const whole = area(one.fill ? combine([{ path: a, role: 'adds' }]) : strokedArea(a, STROKE))
        expect([seed, Math.abs(left('inside') + left('outside') - whole) < slack]).toEqual([seed, true])
        // The inner pieces lie in the mask, the outer pieces beyond it.
        const kept = (keep: 'inside' | 'outside') =>
          combine(clipped([one], mask, keep).map(({ path }) => ({ path, role: 'adds' as const })))
        expect([seed, within(kept('inside'), mask) < slack]).toEqual([seed, true])
        const outside = kept('outside')
        expect([seed, area(outside) - within(outside, mask) < slack]).toEqual([seed, true])
      }
    }
  })
})

describe('rounded corners of what was combined', () => {
  it('stay within the radius of its outline, inside and out', () => {
    for (const seed of seeds) {
      const { a, b, slack } = two(seed)
      for (const role of ['adds', 'cuts', 'overlap'] as const) {
        const path = combine([
            { path: a, role: 'adds' },
            { path: b, role },
          ]),
          radius = 0.75
        if (path.length === 0) continue
        const rounded = combine([
          { path: path.map((contour) => roundContour(contour, () => ({ radius })).contour), role: 'adds' },
        ])
        const out = offset(path, radius, { join: 'round', miterLimit: 4 }),
          into = offset(path, -radius, { join: 'round', miterLimit: 4 })
        expect([seed, role, within(rounded, out) < slack, within(into, rounded) < slack]).toEqual([
          seed,
          role,
          true,
          true,
        ])
      }
    }
  })
})
