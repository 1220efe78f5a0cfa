import { describe, expect, it } from 'vitest'
import type { DrawingObject } from '../drawing/object'
import { STARTERS } from '../rules/starters'
import { constrainAngle, snapBox, snapPoint } from './snap'
import { snapTargets } from './targets'

const rules = STARTERS[0]!.rules
const ring: DrawingObject = { kind: 'ellipse', id: 'ring', name: 'ring', x: 3.3, y: 4, w: 7, h: 7, style: { fill: 'none', stroke: 'ink', weight: 'main' } }
const all = { grid: true, keylines: true, objects: true }
const reach = 0.3

describe('snapping', () => {
  it('draws a point to the true edge of another object, not to the grid beside it', () => {
    const { point, marks } = snapPoint({ x: 3.25, y: 9.1 }, snapTargets(rules, [ring], all), reach)
    expect(point).toEqual({ x: 3.3, y: 9 })
    expect(marks).toEqual([{ kind: 'x', value: 3.3, label: 'edge' }])
  })

  it('catches centres and says so', () => {
    const { point, marks } = snapPoint({ x: 6.7, y: 7.4 }, snapTargets(rules, [ring], all), reach)
    expect(point).toEqual({ x: 6.8, y: 7.5 })
    expect(marks).toEqual([{ kind: 'point', at: { x: 6.8, y: 7.5 }, label: 'centre' }])
  })

  it('names the keyline even where the grid lies at the same place', () => {
    const { marks } = snapPoint({ x: 2.1, y: 17.1 }, snapTargets(rules, [], all), reach)
    expect(marks).toEqual([{ kind: 'x', value: 2, label: 'square keyline' }])
  })

  it('falls back to the grid, and to nothing when all is off', () => {
    expect(snapPoint({ x: 5.2, y: 5.8 }, snapTargets(rules, [], { ...all, keylines: false }), reach).point).toEqual({ x: 5, y: 6 })
    const off = snapTargets(rules, [ring], { grid: false, keylines: false, objects: false })
    expect(snapPoint({ x: 5.2, y: 5.8 }, off, reach)).toEqual({ point: { x: 5.2, y: 5.8 }, marks: [] })
  })

  it('brings a moved box to the square’s centre by its own centre', () => {
    const { shift, marks } = snapBox({ x: 8.6, y: 1, w: 6.5, h: 3 }, snapTargets(rules, [], { ...all, grid: false }), reach)
    expect(8.6 + shift.x + 6.5 / 2).toBeCloseTo(12, 9)
    expect(marks.map(({ label }) => label)).toContain('square centre')
  })

  it('keeps a line to steps of 45°', () => {
    expect(constrainAngle({ x: 0, y: 0 }, { x: 10, y: 1 })).toEqual({ x: 10, y: 0 })
    expect(constrainAngle({ x: 2, y: 2 }, { x: 6, y: 5 })).toEqual({ x: 5.5, y: 5.5 })
    expect(constrainAngle({ x: 0, y: 0 }, { x: -3, y: -4 })).toEqual({ x: -3.5, y: -3.5 })
  })
})
