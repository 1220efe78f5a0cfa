import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { DrawingObject } from '../drawing/objects/object'
import type { Rules } from '../rules/rules'
import { changeOf } from './change'
import { conditionOf, lossesBetween } from './condition'

const lined = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const box = (id: string, x: number, y: number, w: number, h: number): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x,
  y,
  w,
  h,
  corner: 'outer',
  style: lined,
})
const line = (id: string, x: number): DrawingObject => ({
  kind: 'line',
  id,
  name: id,
  from: { x, y: 6 },
  to: { x, y: 18 },
  style: lined,
})
const under = (objects: readonly DrawingObject[], main: number, outer: number) => {
  const rules: Rules = {
    ...SAMPLE_RULES,
    gap: 0.5,
    weights: SAMPLE_RULES.weights.map((one) => (one.name === 'main' ? { ...one, value: main } : one)),
    radii: SAMPLE_RULES.radii.map((one) => (one.name === 'outer' ? { ...one, value: outer } : one)),
  }
  return conditionOf({ objects, rules, scene: sceneOf(rules) })
}
const lost = (objects: readonly DrawingObject[], main: number, outer: number) =>
  lossesBetween(under(objects, 2, 2), under(objects, main, outer))

describe('a change of rules', () => {
  it('loses nothing where a drawing follows it', () => {
    expect(lost([box('case', 4, 4, 16, 16)], 4, 3)).toEqual([])
    expect(lost([box('case', 4, 4, 16, 16)], 2, 2)).toEqual([])
  })

  it('is said to fill a counter, to make parts touch or come apart, to close a gap', () => {
    expect(lost([box('case', 4, 10, 16, 4)], 4, 0)).toContain('A counter fills.')
    expect(lost([line('a', 8), line('b', 12)], 4, 2)).toContain('Parts that were apart touch.')
    expect(lost([line('a', 8), line('b', 10)], 1.5, 2)).toContain('Parts that touched come apart.')
    expect(lost([line('a', 8), line('b', 12)], 3.5, 2)).toContain(
      'A gap is 0.333 px wide at 16 px; the least is 0.5 px.',
    )
  })

  it('names what has no room for a radius, once it has none', () => {
    const pill = box('pill', 4, 10, 16, 5)
    expect(lost([pill], 2, 3)).toEqual(['The radius 3 does not fit “pill”, which has room for 2.5.'])
    expect(lossesBetween(under([pill], 2, 3), under([pill], 2, 4))).toEqual([])
  })

  it('is told apart from one that nobody sees', () => {
    const icon = { masters: [{ base: SAMPLE_RULES.grid.size, objects: [box('case', 4, 10, 16, 4)] }] }
    const to = (rules: Partial<Rules>) =>
      changeOf({ icon, rules: SAMPLE_RULES }, { icon, rules: { ...SAMPLE_RULES, ...rules } })
    const main = (value: number) => SAMPLE_RULES.weights.map((one) => (one.name === 'main' ? { ...one, value } : one))
    expect(to({ weights: [...SAMPLE_RULES.weights, { name: 'unused', value: 9 }] })).toBeNull()
    expect(to({ weights: main(1.5) })).toEqual([])
    expect(to({ weights: main(4) })).toContain('A counter fills.')
    // What cannot be drawn any more looks otherwise.
    expect(to({ weights: SAMPLE_RULES.weights.filter(({ name }) => name !== 'main') })).not.toBeNull()
  })
})
