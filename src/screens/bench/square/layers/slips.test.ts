import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { placed, slip } from './slips'

const bounds = { x: 24, y: 24, w: 700, h: 460 }
const one = fc.record({
  text: fc.constantFrom('tangent', 'centre', 'equal gap 2', 'closes the path', '12 × 8', 'inserts'),
  tone: fc.constantFrom('word' as const, 'figure' as const),
  x: fc.integer({ min: -60, max: 800 }),
  y: fc.integer({ min: -60, max: 560 }),
})

describe('words at the pointer', () => {
  it('never lie over each other nor beyond the stage, however near they would like to stand', () => {
    fc.assert(
      fc.property(fc.array(one, { maxLength: 9 }), fc.boolean(), (wishes, isCrowded) => {
        const slips = placed(
          wishes.map(({ text, tone, x, y }) =>
            slip(text, tone, isCrowded ? 300 : x, isCrowded ? 200 : y, tone === 'figure'),
          ),
          bounds,
        )
        slips.forEach(({ box: a }, i) => {
          expect(a.x >= bounds.x && a.y >= bounds.y).toBe(true)
          expect(a.x + a.w <= bounds.x + bounds.w && a.y + a.h <= bounds.y + bounds.h).toBe(true)
          for (const { box: b } of slips.slice(i + 1)) {
            expect(a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y || b.y + b.h <= a.y).toBe(true)
          }
        })
      }),
    )
  })

  it('stand where they would like to when nothing is in their way', () => {
    const [first, second] = placed(
      [slip('12 × 8', 'figure', 200, 200, true), slip('tangent', 'word', 500, 100)],
      bounds,
    )
    expect([first!.box.y, second!.box]).toEqual([200, { x: 500, y: 100, w: second!.box.w, h: 15 }])
  })
})
