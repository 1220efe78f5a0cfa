import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { outline } from '../drawing/evaluate/evaluate'
import type { DrawingObject } from '../drawing/objects/object'
import { nearestOnCurve } from '../geometry/nearest'
import { distance, dot, subtract } from '../geometry/point'
import { pointAt } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { STARTERS } from '../rules/starters'
import { equalSizes } from './gaps'
import { constrainAngle, snapBox, type Snapped, snapPoint } from './snap'
import { touchByMoving, touchBySizing } from './snap-circle'
import { SNAPS, type SnapSwitches, snapTargets } from './targets'

const rules = STARTERS[0]!.rules
const ring: DrawingObject = {
  kind: 'ellipse',
  id: 'ring',
  name: 'ring',
  x: 3.3,
  y: 4,
  w: 7,
  h: 7,
  style: { fill: 'none', stroke: 'ink', weight: 'main' },
}
const all = SNAPS
const none = Object.fromEntries(Object.keys(all).map((key) => [key, false])) as SnapSwitches
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
    expect(snapPoint({ x: 5.2, y: 5.8 }, snapTargets(rules, [], { ...all, keylines: false }), reach).point).toEqual({
      x: 5,
      y: 6,
    })
    const off = snapTargets(rules, [ring], none)
    expect(snapPoint({ x: 5.2, y: 5.8 }, off, reach)).toEqual({ point: { x: 5.2, y: 5.8 }, marks: [] })
  })

  it('brings a moved box to the square’s centre by its own centre', () => {
    const { shift, marks } = snapBox(
      { x: 8.6, y: 1, w: 6.5, h: 3 },
      snapTargets(rules, [], { ...all, grid: false }),
      reach,
    )
    expect(8.6 + shift.x + 6.5 / 2).toBeCloseTo(12, 9)
    expect(marks.map(({ label }) => label)).toContain('square centre')
  })

  it('keeps a line to steps of 45°', () => {
    expect(constrainAngle({ x: 0, y: 0 }, { x: 10, y: 1 })).toEqual({ x: 10, y: 0 })
    expect(constrainAngle({ x: 2, y: 2 }, { x: 6, y: 5 })).toEqual({ x: 5.5, y: 5.5 })
    expect(constrainAngle({ x: 0, y: 0 }, { x: -3, y: -4 })).toEqual({ x: -3.5, y: -3.5 })
  })
})

describe('snapping to the true thing', () => {
  const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
  const line = (id: string, x0: number, y0: number, x1: number, y1: number): DrawingObject => ({
    kind: 'line',
    id,
    name: id,
    from: { x: x0, y: y0 },
    to: { x: x1, y: y1 },
    style,
  })
  const circle = (id: string, cx: number, cy: number, r: number): DrawingObject => ({
    kind: 'ellipse',
    id,
    name: id,
    x: cx - r,
    y: cy - r,
    w: 2 * r,
    h: 2 * r,
    style,
  })
  const onGrid = { ...all, keylines: false }
  const label = (snapped: Snapped) => snapped.marks[0]?.label

  it('a line from a point touches a circle: at right angles to the radius, to the last digits', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 1, max: 6 }),
        fc.double({ min: 7, max: 15, noNaN: true }),
        (degrees, r, far) => {
          const centre = { x: 12.3, y: 11.7 },
            angle = (degrees * Math.PI) / 180
          const from = { x: centre.x + far * Math.cos(angle), y: centre.y + far * Math.sin(angle) }
          const place = angle + Math.acos(r / far)
          const near = { x: centre.x + (r + 0.1) * Math.cos(place), y: centre.y + (r + 0.1) * Math.sin(place) }
          const targets = snapTargets(rules, [circle('c', centre.x, centre.y, r)], { ...none, tangents: true })
          const snapped = snapPoint(near, targets, 0.25, from)
          expect(label(snapped)).toBe('tangent')
          const radius = subtract(snapped.point, centre)
          expect(Math.abs(dot(radius, subtract(snapped.point, from)))).toBeLessThan(1e-9)
          expect(Math.hypot(radius.x, radius.y)).toBeCloseTo(r, 9)
        },
      ),
    )
  })

  it('touches a turned ellipse and a cubic as well, and meets a line at a right angle', () => {
    const oval: DrawingObject = { kind: 'ellipse', id: 'o', name: 'o', x: 6, y: 8, w: 12, h: 6, turn: 30, style }
    const curve: DrawingObject = {
      kind: 'path',
      id: 'p',
      name: 'p',
      corner: 0,
      style,
      contours: [
        {
          closed: false,
          nodes: [
            { x: 2, y: 20, out: { x: 3, y: -10 } },
            { x: 20, y: 20, in: { x: -3, y: -10 } },
          ],
        },
      ],
    }
    for (const object of [oval, curve]) {
      const [segment] = outline(object, sceneOf(rules)).flatMap(({ segments }) => segments)
      const touch = 0.37,
        at = pointAt(segment!, touch),
        way = directionAt(segment!, touch)
      const from = { x: at.x - 9 * way.x, y: at.y - 9 * way.y }
      const snapped = snapPoint(
        { x: at.x + 0.1, y: at.y - 0.1 },
        snapTargets(rules, [object], { ...none, tangents: true }),
        reach,
        from,
      )
      expect(label(snapped)).toBe('tangent')
      expect(distance(snapped.point, at)).toBeLessThan(1e-7)
    }
    const foot = snapPoint(
      { x: 9.9, y: 10.2 },
      snapTargets(rules, [line('l', 2, 2, 20, 20)], { ...none, tangents: true }),
      reach,
      { x: 16, y: 4 },
    )
    expect([label(foot), foot.point]).toEqual(['perpendicular', { x: 10, y: 10 }])
  })

  it('names crossings, quadrants, middles and lines gone on', () => {
    const cross = [line('a', 2, 3, 20, 21), line('b', 2, 18, 19, 4)]
    const crossing = snapPoint({ x: 10.22, y: 11.25 }, snapTargets(rules, cross, onGrid), 0.6)
    expect(label(crossing)).toBe('crossing')
    expect(crossing.point.x - crossing.point.y).toBeCloseTo(-1, 9)
    expect((crossing.point.x - 2) / 17 + (crossing.point.y - 4) / 14).toBeCloseTo(1, 9)
    expect(label(snapPoint({ x: 16.1, y: 12.2 }, snapTargets(rules, [circle('c', 11, 12, 5)], onGrid), reach))).toBe(
      'quadrant',
    )
    expect(label(snapPoint({ x: 6.1, y: 9.9 }, snapTargets(rules, [line('l', 2, 8, 10, 12)], onGrid), reach))).toBe(
      'middle',
    )
    const beyond = snapPoint({ x: 14.05, y: 14.1 }, snapTargets(rules, [line('l', 2, 8, 10, 12)], onGrid), reach)
    expect([label(beyond), beyond.point]).toEqual(['extension', { x: 14, y: 14 }])
    // A line that only happens to go on past a place of the grid does not draw away from it.
    const slanted = snapTargets(rules, [line('l', 2, 8, 16, 17.2)], onGrid)
    expect(snapPoint({ x: 22.98, y: 22.02 }, slanted, reach).point).toEqual({ x: 23, y: 22 })
    expect(label(snapPoint({ x: 22.75, y: 21.65 }, slanted, reach))).toBe('extension')
  })

  it('lets what is under the pointer win', () => {
    // 20 pixels a unit: six pixels are 0.3. A slanted line crosses the round keyline at (17.099, 2.253).
    const slant = line('slant', 12.25, 12.1, 18.1, 0.22),
      drawn = [slant, line('post', 4.2, 6, 4.2, 18)]
    const targets = snapTargets(rules, drawn, all)
    const from = { x: 7.5, y: 19.5 }
    const winners: [pointer: [number, number], label: string | undefined, place?: [number, number]][] = [
      // On a place of the grid, whatever is derived beside it.
      [[16.5, 3.5], undefined, [16.5, 3.5]],
      [[16.48, 3.46], undefined, [16.5, 3.5]],
      // On a crossing with the keyline that lies beside the grid.
      [[17.11, 2.26], 'crossing'],
      // On the node of a line, and a pixel beside it; a place of the grid as near as the node gives way.
      [[4.2, 6], 'node', [4.2, 6]],
      [[4.25, 6.05], 'node', [4.2, 6]],
      [[4.36, 6], 'node', [4.2, 6]],
      // Beyond that, the grid is nearer.
      [[4.42, 5.6], undefined, [4.5, 5.5]],
      // Beside the line, its side and the grid across it.
      [[4.22, 9.1], 'edge', [4.2, 9]],
      // A keyline at the place of the grid gives its name to it; alone it does not draw away from the grid.
      [[2.05, 10.1], 'square keyline', [2, 10]],
      [[2.35, 10.1], undefined, [2.5, 10]],
    ]
    for (const [[x, y], word, place] of winners) {
      const snapped = snapPoint({ x, y }, targets, reach, from)
      expect([x, y, label(snapped)]).toEqual([x, y, word])
      if (place) expect([snapped.point.x, snapped.point.y]).toEqual(place)
    }
  })

  it('catches the node of a rounded corner, not only where its arc begins', () => {
    const box: DrawingObject = { kind: 'rectangle', id: 'b', name: 'b', x: 4.3, y: 4.3, w: 10, h: 8, corner: 2, style }
    expect(snapPoint({ x: 4.2, y: 4.4 }, snapTargets(rules, [box], { ...none, nodes: true }), reach)).toMatchObject({
      point: { x: 4.3, y: 4.3 },
      marks: [{ label: 'node' }],
    })
  })

  it('a sized circle touches objects, never a keyline', () => {
    expect(touchBySizing({ centre: { x: 12, y: 5 }, r: 3.9 }, snapTargets(rules, [], all), 0.5)).toBeNull()
  })

  it('a moved circle touches two sides at once, and a sized one the nearest', () => {
    const sides = [line('a', 0, 20, 24, 20), line('b', 0, 0, 20, 24)]
    const targets = snapTargets(rules, sides, { ...none, tangents: true })
    const { circle: moved } = touchByMoving({ centre: { x: 9.9, y: 16.9 }, r: 3 }, targets, 0.5)!
    for (const side of targets.curves) expect(nearestOnCurve(side, moved.centre).distance).toBeCloseTo(3, 9)
    const { circle: sized } = touchBySizing(
      { centre: { x: 15, y: 8 }, r: 6.1 },
      snapTargets(rules, [circle('c', 3, 8, 5.75)], { ...none, tangents: true }),
      0.5,
    )!
    expect(sized.r).toBeCloseTo(6.25, 9)
  })

  it('leaves equal gaps between and beside neighbours, and offers equal sizes', () => {
    const box = (id: string, x: number, w: number): DrawingObject => ({
      kind: 'rectangle',
      id,
      name: id,
      x,
      y: 4,
      w,
      h: 4,
      corner: 0,
      style,
    })
    const targets = snapTargets(rules, [box('a', 1, 3), box('b', 17, 4)], { ...none, gaps: true })
    const between = snapBox({ x: 9.2, y: 5, w: 2.5, h: 2 }, targets, reach)
    expect(9.2 + between.shift.x - 4).toBeCloseTo(17 - (9.2 + between.shift.x + 2.5), 9)
    expect(between.marks[0]!.label).toBe('equal gap 5.25')
    const three = snapTargets(rules, [box('a', 1, 3), box('b', 6, 4)], { ...none, gaps: true })
    expect(snapBox({ x: 12.2, y: 5, w: 3, h: 2 }, three, reach).shift.x).toBeCloseTo(-0.2, 9)
    expect(equalSizes(2, targets.boxes, 'x').map(({ value }) => value)).toEqual([5, -1, 6, -2])
  })
})
