import { sceneOf } from '../evaluate/evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { area } from '../../geometry/area'
import { svgOf } from '../../picture/svg'
import { apply, rotation, type Transform } from '../../geometry/transform'
import { STARTERS } from '../../rules/starters'
import { changeNumbers } from './numbers'
import { transformObject } from '../objects/transform-object'
import { evaluate } from '../evaluate/evaluate'
import { shareAt, transformGradient, withStop } from '../model/gradient'
import type { DrawingObject } from '../objects/object'
import { Gradient } from '../model/paint'
import type { Style } from '../model/style'
import { pixelsOf } from '../../../testing/rasterise'

const { rules } = STARTERS[0]!
const stops = [
  { at: 0, color: '#000000' },
  { at: 1, color: '#ffffff' },
]
const circle = (style: Partial<Style>, more = {}): DrawingObject => ({
  kind: 'ellipse',
  id: 'c',
  name: 'c',
  x: 4,
  y: 4,
  w: 16,
  h: 16,
  style: { fill: 'none', stroke: 'none', weight: 2, ...style },
  ...more,
})
const line = (style: Partial<Style>): DrawingObject => ({
  kind: 'line',
  id: 'l',
  name: 'l',
  from: { x: 2, y: 12 },
  to: { x: 22, y: 12 },
  style: { fill: 'none', stroke: 'ink', weight: 2, cap: 'butt', ...style },
})
const areaOf = (object: DrawingObject) =>
  evaluate(object, sceneOf(rules)).reduce((sum, { path }) => sum + area(path), 0)

const coordinate = fc.integer({ min: -20, max: 40 })
const place = fc.record({ x: coordinate, y: coordinate })
const far = ({ from, to }: { from: { x: number; y: number }; to: { x: number; y: number } }) =>
  Math.hypot(to.x - from.x, to.y - from.y) > 1
const gradient: fc.Arbitrary<Gradient> = fc.oneof(
  fc.record({ kind: fc.constant('linear' as const), from: place, to: place, stops: fc.constant(stops) }).filter(far),
  fc
    .record({ kind: fc.constant('radial' as const), centre: place, to: place, stops: fc.constant(stops) })
    .filter(({ centre, to }) => far({ from: centre, to })),
)
const map = fc.constantFrom<Transform>(
  rotation(30, { x: 3, y: 4 }),
  [2, 0, 0, 0.5, 1, 1],
  [1, 0, 0.6, 1, 0, 0],
  [-1, 0, 0, 1, 24, 0],
  [0.3, 1.1, -0.7, 0.9, 5, 5],
)

describe('gradients', () => {
  it('carry any affine map: the colour at the image of a place is the colour that was at the place', () => {
    fc.assert(
      fc.property(gradient, map, map, place, (one, first, second, p) => {
        const moved = transformGradient(transformGradient(one, first), second)
        expect(shareAt(moved, apply(second, apply(first, p)))).toBeCloseTo(shareAt(one, p), 5)
      }),
    )
  })

  it('go with the object that has them, when it is mapped and when its numbers are typed', () => {
    const fill: Gradient = { kind: 'linear', from: { x: 4, y: 4 }, to: { x: 20, y: 20 }, stops }
    const turned = transformObject(circle({ fill }), rotation(90, { x: 12, y: 12 }))
    expect(turned).toMatchObject({ style: { fill: { from: { x: 20, y: 4 }, to: { x: 4, y: 20 } } } })
    expect(changeNumbers(circle({ fill }), sceneOf(rules), { x: 0, y: 0 }, { x: 0, y: 0, w: 8, h: 8 })).toMatchObject({
      style: { fill: { from: { x: 0, y: 0 }, to: { x: 8, y: 8 } } },
    })
  })

  it('take one more stop anywhere on their way, before the first and after the last too, and stay in order', () => {
    const share = fc.integer({ min: 0, max: 100 }).map((n) => n / 100)
    fc.assert(
      fc.property(fc.array(share, { minLength: 2, maxLength: 6 }), share, (places, at) => {
        const before = places.sort((a, b) => a - b).map((one, i) => ({ at: one, color: `#00000${i}` }))
        const { stops: after, index } = withStop(before, at)
        expect(
          Gradient.safeParse({ kind: 'linear', from: { x: 0, y: 0 }, to: { x: 1, y: 0 }, stops: after }).success,
        ).toBe(true)
        expect(after[index]!.at).toBe(at)
        expect(after.toSpliced(index, 1)).toEqual(before)
      }),
    )
  })

  it('are written once, in the units of the square, with ink as the colour of the place they are put in', () => {
    const fill: Gradient = {
      kind: 'linear',
      from: { x: 4, y: 12 },
      to: { x: 20, y: 12 },
      stops: [
        { at: 0, color: 'ink' },
        { at: 0.5, color: '#d5401b', opacity: 0.5 },
      ],
    }
    const svg = svgOf([circle({ fill }), circle({ fill }, { id: 'd', x: 0 })], rules, 24)
    expect(svg.match(/<linearGradient/g)).toHaveLength(1)
    expect(svg).toMatch(
      /<linearGradient id="(\w+)" x1="4" y1="12" x2="20" y2="12" gradientUnits="userSpaceOnUse"><stop stop-color="currentColor"\/><stop offset=".5" stop-color="#d5401b" stop-opacity=".5"\/>/,
    )
    expect(svg).toMatch(/<svg[^>]* fill="url\(#\w+\)"/)
  })
})

describe('a stroke', () => {
  it('lies inside, outside or on both sides of a circle: each has its own area', () => {
    expect(areaOf(circle({ stroke: 'ink', side: 'inside' }))).toBeCloseTo(Math.PI * (64 - 36), 9)
    expect(areaOf(circle({ stroke: 'ink', side: 'outside' }))).toBeCloseTo(Math.PI * (100 - 64), 9)
    expect(evaluate(circle({ stroke: 'ink' }), sceneOf(rules))[0]!.stroke).toMatchObject({ width: 2 })
  })

  it('has heads whose tip is where the line ended', () => {
    const [headed] = evaluate(line({ endHead: 'arrow' }), sceneOf(rules))
    // Twenty long and two wide, without the four that the head takes the place of, and the triangle of six by six, less
    // what the line has of it.
    const triangle = (6 * 6) / 2,
      overlap = 2 * 2
    expect(area(headed!.path)).toBeCloseTo(16 * 2 + triangle - overlap, 9)
    expect(Math.max(...headed!.path.flatMap(({ segments }) => segments.map(({ to }) => to.x)))).toBeCloseTo(22, 9)
    expect(area(evaluate(line({ startHead: 'bar' }), sceneOf(rules))[0]!.path)).toBeCloseTo(20 * 2 + 2 * 6 - 2, 9)
    expect(area(evaluate(line({ startHead: 'dot', endHead: 'dot' }), sceneOf(rules))[0]!.path)).toBeGreaterThan(
      2 * Math.PI * 6.25,
    )
  })

  it('is dashed in the delivered file, and under the fill where it is said to be', () => {
    expect(svgOf([line({ dash: [3, 1.5] })], rules, 24)).toContain('stroke-dasharray="3 1.5"')
    const shapes = evaluate(circle({ fill: '#ffffff', stroke: 'ink', strokeFirst: true }), sceneOf(rules))
    expect(shapes.map(({ fill, stroke }) => [fill !== null, stroke !== null])).toEqual([
      [false, true],
      [true, false],
    ])
  })
})

describe('several fills, opacity and masks', () => {
  it('paint each fill over the one before, each as opaque as it is', () => {
    const object = circle({
      fill: 'ink',
      fills: [{ paint: '#ff0000', opacity: 0.25 }, { paint: 'none' }, { paint: '#00ff00' }],
    })
    expect(evaluate(object, sceneOf(rules)).map(({ fill }) => fill)).toMatchObject([
      { ink: true, opacity: 1 },
      { light: '#ff0000', opacity: 0.25 },
      { light: '#00ff00' },
    ])
    expect(svgOf([object], rules, 24)).toContain('fill="red" fill-opacity=".25"'.replace('red', '#f00'))
  })

  it('dim an object as one: what lies over itself in it does not show through', () => {
    expect(svgOf([circle({ fill: 'ink' }, { opacity: 0.5 })], rules, 24)).toContain('fill-opacity=".5"')
    const group: DrawingObject = {
      kind: 'group',
      id: 'g',
      name: 'g',
      opacity: 0.5,
      members: [circle({ fill: 'ink' }), circle({ fill: 'ink' }, { id: 'd', x: 6 })],
    }
    expect(svgOf([group], rules, 24)).toMatch(/<g opacity="\.5"><circle[^>]*\/><circle[^>]*\/><\/g>/)
  })

  it('keep of members what lies in the front one, or out of it, to the last area', () => {
    const square: DrawingObject = {
      kind: 'rectangle',
      id: 'r',
      name: 'r',
      x: 12,
      y: 0,
      w: 12,
      h: 24,
      corner: 0,
      style: { fill: 'ink', stroke: 'none', weight: 1 },
    }
    const group = (mask: 'inside' | 'outside' | 'fade'): DrawingObject => ({
      kind: 'group',
      id: 'g',
      name: 'g',
      mask,
      members: [circle({ fill: 'ink', stroke: 'ink' }), square],
    })
    expect(areaOf(group('inside'))).toBeCloseTo((Math.PI * 64) / 2 + (Math.PI * (81 - 49)) / 2, 9)
    expect(areaOf(group('inside'))).toBeCloseTo(areaOf(group('outside')), 9)
    const fade = svgOf([group('fade')], rules, 24)
    expect(fade).toMatch(
      /<defs><mask id="(\w+)" mask-type="alpha"[^>]* stroke="none"[^>]*><path[^>]*\/><\/mask><\/defs><g mask="url\(#\1\)"><circle/,
    )
    // Full where the mask is opaque, nothing beside it, whatever the root's stroke is.
    const pixels = pixelsOf(fade, 24)
    expect([8, 10, 13, 16].map((x) => pixels[4 * (12 * 24 + x) + 3])).toEqual([0, 0, 255, 255])
  })
})
