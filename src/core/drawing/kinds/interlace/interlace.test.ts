import { describe, expect, it } from 'vitest'
import { area } from '../../../geometry/area'
import { winding } from '../../../geometry/winding'
import { STARTERS } from '../../../rules/starters'
import { divided } from '../../edit/divided'
import { sceneOf } from '../../evaluate/evaluated-scene'
import { weightsAsFills } from '../../evaluate/strokes-as-fills'
import type { DrawingObject, OfKind } from '../../objects/object'
import { laced } from './laced'

const scene = sceneOf(STARTERS[0]!.rules)
const lined = { fill: 'none', stroke: 'ink', weight: 2, cap: 'butt' } as const
const line = (id: string, x0: number, y0: number, x1: number, y1: number, colour = 'ink'): DrawingObject => ({
  kind: 'line',
  id,
  name: id,
  from: { x: x0, y: y0 },
  to: { x: x1, y: y1 },
  style: { ...lined, stroke: colour },
})
const interlace = (members: DrawingObject[], more: object = {}) =>
  ({ kind: 'interlace', id: 'i', name: 'i', order: 'turns', gap: 0.5, members, ...more }) as OfKind<'interlace'>
const areaOf = (object: DrawingObject) =>
  scene.shapes(object).reduce((sum, { path, stroke }) => sum + (stroke ? 0 : Math.abs(area(path))), 0)
/** Which member is seen at a place: the topmost shape that covers it. */
const seenAt = (object: OfKind<'interlace'>, x: number, y: number) =>
  [...laced(object, scene).shapes]
    .map((shape) => ({
      id: shape.id,
      path: shape.stroke ? scene.ink(object.members.find(({ id }) => id === shape.id)!) : shape.path,
    }))
    .findLast(({ path }) => winding(path, { x, y }) !== 0)?.id ?? null

describe('strands that interlace', () => {
  it('are outlines where something lies over them; the ledger and deliveries say the weights', () => {
    const [under, over] = [line('u', 2, 8, 22, 8), line('o', 8, 2, 8, 22)]
    expect(weightsAsFills(interlace([under, over], { order: 'next' }), scene)).toEqual([2])
    expect(weightsAsFills(interlace([under, line('o', 8, 10, 8, 22)]), scene)).toEqual([])
    expect(weightsAsFills(under, scene)).toEqual([])
  })

  const grid = [line('a', 2, 8, 22, 8), line('b', 2, 16, 22, 16), line('c', 8, 2, 8, 22), line('d', 16, 2, 16, 22)]

  it('lie over and under by turns, with a gap beside what lies over', () => {
    const object = interlace(grid)
    expect(laced(object, scene).crossings).toHaveLength(4)
    const over = [seenAt(object, 8, 8), seenAt(object, 16, 8), seenAt(object, 8, 16), seenAt(object, 16, 16)]
    expect(over).toEqual(['a', 'd', 'c', 'b'])
    // Each strand is cut once, by the width of the other and a gap to each side.
    expect(areaOf(object)).toBeCloseTo(4 * (20 * 2 - 2 * 3), 6)
    expect(seenAt(object, 8, 9.2)).toBeNull()
  })

  it('are turned round at single crossings', () => {
    const mark = { key: 'a~c', at: { x: 8, y: 8 } }
    expect(seenAt(interlace(grid, { flipped: [mark] }), 8, 8)).toBe('c')
    expect(seenAt(interlace(grid, { flipped: [mark] }), 16, 8)).toBe('d')
  })

  it('may be one rope that crosses itself', () => {
    const rope: DrawingObject = {
      kind: 'path',
      id: 'rope',
      name: 'rope',
      corner: 0,
      contours: [
        {
          closed: false,
          nodes: [
            { x: 2, y: 12 },
            { x: 18, y: 12 },
            { x: 18, y: 4 },
            { x: 10, y: 4 },
            { x: 10, y: 20 },
          ],
        },
      ],
      style: { ...lined, join: 'miter' },
    }
    const object = interlace([rope])
    const plain = Math.abs(area(scene.ink(rope)))
    expect(laced(object, scene).crossings).toHaveLength(1)
    // The strand that lies under loses a gap to both sides of the one over it.
    expect(plain - areaOf(object)).toBeCloseTo(2 * 2 * 0.5, 6)
    expect(seenAt(object, 10, 12)).toBe('rope')
  })

  it('each over the next, the last over the first, of shapes', () => {
    const disc = (id: string, degrees: number): DrawingObject => {
      const [x, y] = [12 + 4 * Math.cos((degrees * Math.PI) / 180), 12 + 4 * Math.sin((degrees * Math.PI) / 180)]
      const style = { fill: id === 'p' ? 'ink' : '#d5401b', stroke: 'none', weight: 2 } as const
      return { kind: 'ellipse', id, name: id, x: x - 4, y: y - 4, w: 8, h: 8, style }
    }
    const object = interlace([disc('p', 0), disc('q', 120), disc('r', 240)], { order: 'next', gap: 0 })
    const middle = (a: number) => [12 + 3.6 * Math.cos((a * Math.PI) / 180), 12 + 3.6 * Math.sin((a * Math.PI) / 180)]
    const seen = [60, 180, 300].map((a) => seenAt(object, middle(a)[0]!, middle(a)[1]!))
    expect(seen).toEqual(['p', 'q', 'r'])
  })
})

describe('dividing objects', () => {
  it('cuts a ring by lines tangent to its hub into blades that abut, arcs kept', () => {
    const ring: DrawingObject = {
      kind: 'ellipse',
      id: 'ring',
      name: 'Ring',
      x: 2,
      y: 2,
      w: 20,
      h: 20,
      hole: 0.4,
      style: { fill: 'ink', stroke: 'none', weight: 2 },
    }
    // Tangent to the hub of radius 4, out to the rim, turned by 120°.
    const spokes = [0, 120, 240].map((degrees, i): DrawingObject => {
      const turn = (x: number, y: number) => {
        const a = (degrees * Math.PI) / 180
        return { x: 12 + x * Math.cos(a) - y * Math.sin(a), y: 12 + x * Math.sin(a) + y * Math.cos(a) }
      }
      return { ...line(`s${i}`, 0, 0, 1, 1), from: turn(0, -4), to: turn(11, -4) } as DrawingObject
    })
    const pieces = divided([ring, ...spokes], scene)
    expect(pieces).toHaveLength(3)
    const areas = pieces.map(({ path }) => Math.abs(area(path)))
    for (const one of areas) expect(one).toBeCloseTo((Math.PI * (100 - 16)) / 3, 6)
    expect(pieces.every(({ of }) => of.id === 'ring')).toBe(true)
    expect(pieces[0]!.path[0]!.segments.map(({ kind }) => kind).sort()).toEqual(['arc', 'arc', 'line', 'line'])
  })
})
