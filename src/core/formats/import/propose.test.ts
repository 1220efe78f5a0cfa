import { describe, expect, it } from 'vitest'
import type { DrawingObject } from '../../drawing/objects/object'
import type { Plain } from './plain'
import { proposedRules, type Topic } from './propose'

const round = { cap: 'round', join: 'round' } as const
const line = (weight: number, stroke = 'ink', more: object = round): DrawingObject =>
  ({
    kind: 'line',
    id: 'a',
    name: 'a',
    from: { x: 4, y: 12 },
    to: { x: 20, y: 12 },
    style: { fill: 'none', stroke, weight, ...more },
  }) as DrawingObject
const box = (corner: number, side = 16): DrawingObject =>
  ({
    kind: 'rectangle',
    id: 'b',
    name: 'b',
    x: 12 - side / 2,
    y: 12 - side / 2,
    w: side,
    h: side,
    corner,
    style: { fill: 'none', stroke: 'ink', weight: 2, ...round },
  }) as DrawingObject
const icons = (...lists: readonly (readonly DrawingObject[])[]): Plain[] =>
  lists.map((objects, i) => ({ name: `icon-${i}`, objects }))
const many = (count: number, object: DrawingObject): DrawingObject[][] => Array.from({ length: count }, () => [object])
const told = (plain: readonly Plain[], topic: Topic) =>
  proposedRules(plain, 24).evidence.find((one) => one.topic === topic)

describe('rules that drawings follow', () => {
  it('name the weight of most as main, lighter and heavier ones where several icons have them, and tell the rest', () => {
    const plain = icons(...many(8, line(2)), ...many(3, line(1.5)), ...many(2, line(3)), [line(1.75)])
    const { rules } = proposedRules(plain, 24)
    expect(rules.weights).toEqual([
      { name: 'main', value: 2 },
      { name: 'fine', value: 1.5 },
      { name: 'bold', value: 3 },
    ])
    expect(told(plain, 'weights')).toMatchObject({
      count: 13,
      of: 14,
      others: [{ what: '1.75', count: 1, icons: ['icon-13'] }],
    })
  })

  it('gather numbers that differ by less than any delivered pixel shows, and no others', () => {
    const near = proposedRules(icons(...many(5, line(2)), ...many(4, line(2.005))), 24).rules.weights,
      apart = proposedRules(icons(...many(5, line(2)), ...many(4, line(2.05))), 24).rules.weights
    expect(near.map(({ value }) => value)).toEqual([2])
    expect(apart.map(({ value }) => value)).toEqual([2, 2.05])
  })

  it('have the radii, the palette and the ends that are frequent', () => {
    const plain = icons(
      ...many(6, box(2)),
      ...many(3, box(3)),
      ...many(5, line(2, '#d5401b')),
      [line(2, '#d6411c')],
      [line(2, 'ink', { cap: 'butt', join: 'miter' })],
    )
    const { rules } = proposedRules(plain, 24)
    expect(rules.radii).toEqual([
      { name: 'outer', value: 2 },
      { name: 'inner', value: 3 },
    ])
    expect(rules.palette.map(({ name }) => name)).toEqual(['ink', 'red'])
    expect(rules).toMatchObject({ cap: 'round', join: 'round' })
    // Of the lines alone: nothing shows the caps of a closed box, nor the joins of round corners.
    expect(told(plain, 'join')).toBeUndefined()
    expect(told(plain, 'cap')).toMatchObject({ count: 6, of: 7, others: [{ what: 'butt' }] })
    expect(told(plain, 'colours')!.others).toMatchObject([{ what: '#d6411c' }])
  })

  it('have the live area that nearly all keep to, and the boxes that many fill as keylines', () => {
    const plain = icons(...many(30, box(2, 18)), ...many(1, box(2, 22)))
    const { rules } = proposedRules(plain, 24)
    expect(rules.liveArea).toBe(20)
    expect(rules.keylines).toEqual([{ name: 'square', shape: 'rectangle', w: 20, h: 20 }])
    expect(told(plain, 'extents')).toMatchObject({ count: 30, of: 31, others: [{ what: '24', icons: ['icon-30'] }] })
  })

  it('leave each rule that is not taken as in a new set, and all others as they are', () => {
    const plain = icons(...many(6, box(2.5)), ...many(6, line(1.25, '#d5401b')))
    const whole = proposedRules(plain, 24).rules
    const keys = { weights: 'weights', corners: 'radii', colours: 'palette', cap: 'cap', join: 'join' } as const
    for (const [topic, key] of Object.entries(keys)) {
      const { rules, evidence } = proposedRules(plain, 24, new Set([topic as Topic]))
      expect({ ...rules, [key]: whole[key] }).toEqual(whole)
      expect(evidence).toEqual(proposedRules(plain, 24).evidence)
    }
    expect(proposedRules(plain, 24, new Set(['corners'])).rules.radii).toEqual([])
    expect(proposedRules(plain, 24, new Set(['weights'])).rules.weights).not.toEqual(whole.weights)
  })

  it('are those of a new set where nothing is drawn', () => {
    const { rules, evidence } = proposedRules(icons([]), 24)
    expect(rules.weights.length).toBeGreaterThan(0)
    expect(evidence.map(({ topic }) => topic)).toEqual(['grid', 'names'])
  })
})
