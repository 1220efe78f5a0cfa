import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { styleOf } from '@/core/drawing/scene/shared-style'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Line as LineObject } from '@/core/drawing/kinds/line/schema'
import { simple } from '@/testing/arbitrary'
import { DrawingObject, isCornered, isStyled } from '@/core/drawing/objects/object'
import { SAMPLE_RULES } from '../../../../testing/sample-rules'
import { common, cornerOf, cornerStyleOf, numbersOf, withCorner, withCornerStyle, withStyle } from './columns'
import { SEVERAL } from '../../cells/value-cell'

const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const line = (x: number, y: number): LineObject => ({
  kind: 'line',
  id: 'l',
  name: 'l',
  from: { x: 3, y: 4 },
  to: { x, y },
  style,
})
describe('the ledger’s numbers', () => {
  it('of any object can be read at any anchor, and what has no corner or style is left alone', () => {
    const rules = SAMPLE_RULES
    fc.assert(
      fc.property(simple, (object) => {
        const [from, middle, to] = [0, 0.5, 1].map((k) => numbersOf(object, rules, { x: k, y: k }))
        expect((from!.x + to!.x) / 2).toBeCloseTo(middle!.x, 6)
        expect((from!.y + to!.y) / 2).toBeCloseTo(middle!.y, 6)
        const changed = withCornerStyle(
          withCorner(withStyle(object, { cap: 'square', weight: 3 }, sceneOf(rules)), 1.5),
          'scoop',
        )
        expect(DrawingObject.safeParse(JSON.parse(JSON.stringify(changed))).success).toBe(true)
        expect(cornerOf(changed)).toBe(isCornered(object) ? 1.5 : undefined)
        expect(cornerStyleOf(changed)).toBe(isCornered(object) ? 'scoop' : undefined)
        if (isStyled(changed)) expect(changed.style).toMatchObject({ cap: 'square', weight: 3 })
        expect(withCornerStyle(withCornerStyle(object, 'notch'), 'round')).not.toHaveProperty('cornerStyle')
      }),
    )
  })

  it('of several objects are shown where they agree, as several where they differ, and not at all where none has them', () => {
    const objects = [line(1, 1), line(1, 1), { ...line(1, 1), style: { ...style, weight: 2 } }]
    expect(
      common(objects.slice(0, 2), (object) =>
        isStyled(object) ? styleOf(object, sceneOf(SAMPLE_RULES)).weight : undefined,
      ),
    ).toBe('main')
    expect(
      common(objects, (object) => (isStyled(object) ? styleOf(object, sceneOf(SAMPLE_RULES)).weight : undefined)),
    ).toBe(SEVERAL)
    expect(common(objects, cornerOf)).toBeUndefined()
    // Alike in what they say, not in being one and the same.
    expect(common(objects, () => ({ kind: 'linear', stops: [] }))).toEqual({ kind: 'linear', stops: [] })
  })
})
