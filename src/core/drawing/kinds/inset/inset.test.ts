import { describe, expect, it } from 'vitest'
import { area } from '../../../geometry/area'
import { pathBounds, type Path } from '../../../geometry/path'
import { STARTERS } from '../../../rules/starters'
import { sceneOf } from '../../evaluate/evaluated-scene'
import { fixed } from '../../edit/loose'
import type { DrawingObject, OfKind } from '../../objects/object'

const { rules } = STARTERS[0]!
const scene = sceneOf(rules)
const style = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const lined = { fill: 'none', stroke: 'ink', weight: 2 } as const
const disc: DrawingObject = { kind: 'ellipse', id: 'd', name: 'd', x: 4, y: 4, w: 16, h: 16, style }
const square: DrawingObject = { kind: 'rectangle', id: 's', name: 's', x: 4, y: 4, w: 16, h: 16, corner: 0, style }
const inset = (members: DrawingObject[], more: object) =>
  ({
    kind: 'inset',
    id: 'i',
    name: 'i',
    distance: 2,
    side: 'inside',
    steps: 1,
    style,
    members,
    ...more,
  }) as OfKind<'inset'>
const areas = (object: DrawingObject) => scene.shapes(object).map(({ path }) => Math.abs(area(path)))
const isRound = (path: Path) => path.every(({ segments }) => segments.every(({ kind }) => kind === 'arc'))

describe('an inset', () => {
  it('has as many steps as it is told, the source among them, from the largest on', () => {
    const object = inset([disc], { side: 'both', steps: 2 })
    const radii = areas(object).map((value) => Math.sqrt(value / Math.PI))
    radii.forEach((r, i) => expect(r).toBeCloseTo([12, 10, 8, 6, 4][i]!, 6))
    expect(scene.shapes(object).every(({ path }) => isRound(path))).toBe(true)
    expect(areas({ ...object, source: 'hidden' })).toHaveLength(4)
  })

  it('follows a weight by its name', () => {
    const named = inset([disc], { distance: 'main', source: 'hidden' })
    const r = 8 - scene.weight('main')
    expect(areas(named)[0]).toBeCloseTo(Math.PI * r * r, 6)
    const other = sceneOf({ ...rules, weights: rules.weights.map((one) => ({ ...one, value: one.value + 1 })) })
    expect(Math.abs(area(other.shapes(named)[0]!.path))).toBeCloseTo(Math.PI * (r - 1) ** 2, 6)
  })

  it('joins its corners as it is told', () => {
    const outset = (join: string) => areas(inset([square], { side: 'outside', source: 'hidden', join }))[0]
    expect(outset('miter')).toBeCloseTo(400, 6)
    expect(outset('round')).toBeCloseTo(256 + 4 * 32 + 4 * Math.PI, 6)
    expect(outset('bevel')).toBeCloseTo(400 - 4 * 2, 6)
  })

  it('lies beside open lines, on the side that is asked for', () => {
    const bent: DrawingObject = {
      kind: 'path',
      id: 'p',
      name: 'p',
      corner: 0,
      contours: [
        {
          closed: false,
          nodes: [
            { x: 4, y: 4 },
            { x: 4, y: 16 },
            { x: 16, y: 16 },
          ],
        },
      ],
      style: lined,
    }
    // Down, then right: its right is the outside of the bend.
    const at = (side: string, join = 'miter') =>
      scene.shapes(inset([bent], { side, source: 'hidden', join, style: lined })).map(({ path }) => pathBounds(path)!)
    expect(at('inside')).toEqual([{ x: 2, y: 4, w: 14, h: 14 }])
    expect(at('outside')).toEqual([{ x: 6, y: 4, w: 10, h: 10 }])
    const [path] = scene.shapes(inset([bent], { source: 'hidden', style: lined, join: 'round' })).map((one) => one.path)
    expect(path!.map(({ closed, segments }) => [closed, segments.map(({ kind }) => kind).join()])).toEqual([
      [false, 'line,arc,line'],
    ])
  })
})

describe('live outlines', () => {
  it('keep circles circles, and follow the weight', () => {
    const ring: DrawingObject = { ...disc, style: { ...lined, weight: 'main' } }
    const object: DrawingObject = { kind: 'outlined', id: 'o', name: 'o', members: [ring] }
    const [shape] = scene.shapes(object)
    const half = scene.weight('main') / 2
    expect(shape!.stroke).toBeNull()
    expect(isRound(shape!.path)).toBe(true)
    expect(Math.abs(area(shape!.path))).toBeCloseTo(Math.PI * ((8 + half) ** 2 - (8 - half) ** 2), 6)
    const plain = fixed(object, scene, () => 'new') as OfKind<'path'>
    expect(plain).toMatchObject({ kind: 'path', id: 'o', style: { fill: 'ink', stroke: 'none' } })
    expect(plain.contours.map(({ nodes }) => nodes.length)).toEqual([2, 2])
  })
})
