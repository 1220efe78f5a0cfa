import { describe, expect, it } from 'vitest'
import { apart } from '../../../../testing/apart'
import { SAMPLE_RULES } from '../../../../testing/sample-rules'
import { area } from '../../../geometry/area'
import { segmentCount, transformPath } from '../../../geometry/path'
import { rotation } from '../../../geometry/transform'
import { sceneOf } from '../../evaluate/evaluated-scene'
import { gripsOf, pullGrip } from '../../edit/grips'
import { fixed } from '../../edit/loose'
import { type DrawingObject, kindOf, type OfKind } from '../../objects/object'
import { transformObject } from '../../objects/transform-object'

const scene = sceneOf(SAMPLE_RULES)
const style = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const box = (x: number, y: number, w: number, h: number): DrawingObject =>
  ({ kind: 'rectangle', id: 'b', name: 'b', x, y, w, h, corner: 0, style }) as DrawingObject
const warp = (form: object, ...members: DrawingObject[]) =>
  ({ kind: 'warp', id: 'w', name: 'w', space: [16, 0, 0, 8, 4, 8], form, members }) as unknown as OfKind<'warp'>
const areaOf = (object: DrawingObject) => Math.abs(area(scene.edge(object)))
const plain = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
]

describe('a warp', () => {
  it('by corners carries straight sides to straight sides, and makes no needless node', () => {
    const corners = [{ x: 0.25, y: 0 }, { x: 0.75, y: 0 }, ...plain.slice(2)]
    const object = warp({ by: 'corners', corners }, box(4, 8, 16, 8))
    expect(areaOf(object)).toBeCloseTo(((8 + 16) / 2) * 8, 9)
    expect(scene.edge(object)[0]!.segments.map(({ kind }) => kind)).toEqual(['line', 'line', 'line', 'line'])
  })

  it('by a bow bends the middle up by its amount: the area stays, ends stay', () => {
    const object = warp({ by: 'form', form: 'bow', amount: 0.5 }, box(4, 8, 16, 8))
    // Every upright line is only shifted.
    expect(areaOf(object)).toBeCloseTo(128, 1)
    expect(segmentCount(scene.edge(object))).toBeLessThanOrEqual(6)
    const top = scene.edge(object).flatMap(({ segments }) => segments.map(({ from }) => from.y))
    expect(Math.max(...top)).toBeCloseTo(16, 6)
  })

  it('keeps weights of strokes, and the same picture when it is turned', () => {
    const lined = { ...box(4, 8, 16, 8), style: { fill: 'none', stroke: 'ink', weight: 2 } } as DrawingObject
    const object = warp({ by: 'form', form: 'swell', amount: 0.3 }, lined)
    expect(scene.shapes(object)[0]!.stroke!.width).toBe(2)
    const map = rotation(33, { x: 3, y: 5 })
    const there = scene.edge(transformObject(object, map))
    expect(apart(there, transformPath(scene.edge(object), map), 12)).toBeLessThan(0.011)
  })

  it('goes over from one form to the next as it is, and moves handles in pairs', () => {
    const object = warp({ by: 'form', form: 'pinch', amount: 0.2 }, box(4, 8, 16, 8))
    const form = kindOf(object).ledger.fields!(object)[0]!
    const loose = (form as { write: (o: DrawingObject, v: string) => DrawingObject }).write(object, 'lattice')
    expect(areaOf(loose)).toBeCloseTo(areaOf(object), 6)
    expect(gripsOf(loose, scene, 0)).toHaveLength(16)
    const pulled = pullGrip(loose, '4', { x: 2, y: 11 }, scene, { step: null, alone: true }).object
    const at = gripsOf(pulled, scene, 0).map((grip) => grip.at)
    expect(at[4]).toEqual({ x: 2, y: 11 })
    expect(at[7]!.x).toBeCloseTo(22, 9)
    expect(at[7]!.y).toBeCloseTo(11, 9)
    expect(fixed(pulled, scene, () => 'n')!.kind).toBe('path')
  })
})

describe('a bend', () => {
  const half = {
    closed: false,
    nodes: [
      { x: 4, y: 12, arc: { rx: 8, ry: 8, sweep: true } },
      { x: 20, y: 12 },
    ],
  }
  const bend = (strokes: object[], more: object = {}) =>
    ({
      kind: 'bend',
      id: 'w',
      name: 'w',
      base: { from: { x: 0, y: 20 }, to: { x: 16, y: 20 } },
      strokes,
      width: 1,
      members: [box(0, 19, 16, 2)],
      ...more,
    }) as unknown as OfKind<'bend'>

  it('lays a bar around as a sector of a ring, wider or narrower as it is told', () => {
    const sector = (w: number) => (Math.PI / 2) * ((8 + w) ** 2 - (8 - w) ** 2)
    expect(areaOf(bend([{ run: half }]))).toBeCloseTo(sector(1), 1)
    expect(areaOf(bend([{ run: half }], { width: 2 }))).toBeCloseTo(sector(2), 1)
    expect(segmentCount(scene.edge(bend([{ run: half }])))).toBeLessThanOrEqual(6)
  })

  it('of one source goes along many strokes, and follows the source', () => {
    const low = { closed: false, nodes: half.nodes.map((node) => ({ ...node, y: 40 })) }
    const twice = bend([{ run: half }, { run: low }])
    expect(scene.shapes(twice)).toHaveLength(2)
    expect(areaOf(twice)).toBeCloseTo(2 * areaOf(bend([{ run: half }])), 6)
    expect(areaOf({ ...twice, members: [box(0, 18, 16, 4)] })).toBeCloseTo(2 * areaOf(twice), 0)
  })

  it('has a smoothness that is changed afterwards while the hand’s points are known', () => {
    const points = Array.from({ length: 60 }, (_, i) => ({ x: i / 3, y: 10 + 2 * Math.sin(i / 6) + (i % 2) * 0.15 }))
    const object = bend([{ run: half, trace: { points, smoothness: 0.05 } }])
    const smoothness = kindOf(object).ledger.fields!(object).find(({ id }) => id === 'smoothness')!
    const write = (smoothness as { write: (o: DrawingObject, v: number) => OfKind<'bend'> }).write
    const nodes = (value: number) => write(object, value).strokes[0]!.run.nodes.length
    expect(nodes(0.05)).toBeGreaterThan(nodes(0.5))
    const touched = kindOf(object).geometry.fold!(object, [{ ...half, nodes: [...half.nodes] } as never])!
    expect(touched.strokes[0]!.trace).toBeUndefined()
  })
})
