import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { awayFrom } from '../../../tools/stroke-oracle'
import { measure } from '../geometry/measure'
import type { Cubic } from '../geometry/segment'
import { strokedArea } from './stroking'

const curve = (...n: number[]): Cubic => ({
  kind: 'cubic',
  from: { x: n[0]!, y: n[1]! },
  c1: { x: n[2]!, y: n[3]! },
  c2: { x: n[4]!, y: n[5]! },
  to: { x: n[6]!, y: n[7]! },
})
const round = { width: 2, cap: 'round', join: 'round', miterLimit: 4 } as const
const stroked = (one: Cubic, style: Partial<Parameters<typeof strokedArea>[1]> = {}) =>
  measure(strokedArea([{ segments: [one], closed: false }], { ...round, ...style })).area

describe('strokes of curves that stand still', () => {
  it('that run straight and turn back are those of the line they cover', () => {
    expect(stroked(curve(2, 2, 22, 2, -8, 2, 12, 2))).toBeCloseTo(20 + Math.PI, 9)
    expect(stroked(curve(2, 2, 22, 2, -8, 2, 12, 2), { cap: 'butt', join: 'miter' })).toBeCloseTo(20, 9)
    // Beyond its ends: from 0 out to where it turns, at 4, and back; in any direction.
    const far = 4
    expect(stroked(curve(0, 0, 16 / 3, 0, 16 / 3, 0, 0, 0))).toBeCloseTo(2 * far + Math.PI, 9)
    fc.assert(
      fc.property(fc.double({ min: 0, max: 6.3, noNaN: true }), fc.constantFrom(0.5, 1, 3), (turn, width) => {
        const cos = Math.cos(turn),
          sin = Math.sin(turn),
          at = (d: number) => [12 + d * cos, 12 + d * sin]
        const area = stroked(curve(...at(-5), ...at(15), ...at(-15), ...at(5)), { width })
        expect(area).toBeCloseTo(10 * width + (Math.PI * width * width) / 4, 6)
      }),
    )
  })

  it('with a cusp are all that lies within half the width of them, where joins and caps are round', () => {
    for (const one of [curve(4, 4, 20, 20, 4, 20, 20, 4), curve(4, 4, 24, 16, 0, 16, 20, 4)]) {
      const away = awayFrom([{ segments: [one], closed: false }])
      let inside = 0
      const step = 0.2
      for (let x = 0; x < 24; x += step)
        for (let y = 0; y < 24; y += step) if (away({ x: x + step / 2, y: y + step / 2 }) <= 1) inside++
      expect(Math.abs(stroked(one) - inside * step * step) / (inside * step * step)).toBeLessThan(0.01)
    }
  })
})
