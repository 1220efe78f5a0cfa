import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Fingers, pinched } from './two-fingers'
import { toGrid } from '../state/view'

const n = fc.integer({ min: 10, max: 800 })
const place = fc.record({ x: n, y: n })
const view = fc.record({ scale: fc.integer({ min: 4, max: 30 }), x: n, y: n })

describe('two fingers', () => {
  it('keep what is between them between them', () => {
    fc.assert(
      fc.property(view, place, place, place, place, (before, a, b, c, d) => {
        const middle = (p: typeof a, q: typeof a) => ({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 })
        const after = pinched(before, [a, b], [c, d], 24)
        const [was, now] = [toGrid(before, middle(a, b)), toGrid(after, middle(c, d))]
        expect(now.x).toBeCloseTo(was.x, 6)
        expect(now.y).toBeCloseTo(was.y, 6)
      }),
    )
  })

  it('zoom as they go apart, and pan as they go together', () => {
    const fingers = new Fingers(),
      before = { scale: 10, x: 0, y: 0 }
    expect(fingers.press(1, { x: 100, y: 100 }, before)).toBe(false)
    expect(fingers.move(1, { x: 110, y: 100 }, 24)).toBeNull()
    expect(fingers.press(2, { x: 210, y: 100 }, before)).toBe(true)
    expect(fingers.move(2, { x: 310, y: 100 }, 24)!.scale).toBeCloseTo(20, 9)
    fingers.move(1, { x: 160, y: 150 }, 24)
    expect(fingers.move(2, { x: 260, y: 150 }, 24)).toEqual({ scale: 10, x: 50, y: 50 })
    fingers.lift(2)
    expect([fingers.busy, fingers.move(1, { x: 0, y: 0 }, 24)]).toEqual([false, null])
  })
})
