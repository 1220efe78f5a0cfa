import { describe, expect, it } from 'vitest'
import { area } from '../../../geometry/area'
import { pathBounds, type Path } from '../../../geometry/path'
import { STARTERS } from '../../../rules/starters'
import { costOf, isExcessive } from '../../evaluate/cost'
import { refusalIn } from '../../evaluate/evaluate'
import { sceneOf } from '../../evaluate/evaluated-scene'
import { loosened } from '../../edit/loose'
import { type DrawingObject, kindOf, type OfKind } from '../../objects/object'

const scene = sceneOf(STARTERS[0]!.rules)
const style = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const dot = (x: number, y: number, d = 2): DrawingObject => ({
  kind: 'ellipse',
  id: 'dot',
  name: 'dot',
  x: x - d / 2,
  y: y - d / 2,
  w: d,
  h: d,
  style,
})
const repeat = (course: object, members: DrawingObject[], more: object = {}) =>
  ({ kind: 'repeat', id: 'r', name: 'r', from: { x: 12, y: 4 }, course, members, ...more }) as OfKind<'repeat'>
const centres = (object: DrawingObject) =>
  scene.shapes(object).map(({ path }) => {
    const { x, y, w, h } = pathBounds(path)!
    return [x + w / 2, y + h / 2].map((value) => Math.round(value * 1e6) / 1e6 + 0)
  })
const areaOf = (path: Path) => Math.abs(area(path))

describe('a repeat around a centre', () => {
  const around = (more: object) =>
    repeat({ by: 'turn', at: { x: 12, y: 12 }, count: 4, angle: 360, ...more }, [dot(12, 4)])

  it('shares a whole turn out, and what is less from end to end', () => {
    expect(centres(around({}))).toEqual([
      [12, 4],
      [20, 12],
      [12, 20],
      [4, 12],
    ])
    expect(centres(around({ count: 3, angle: 180 }))).toEqual([
      [12, 4],
      [20, 12],
      [12, 20],
    ])
  })

  it('keeps circles arcs, and copies upright where they are to be', () => {
    const { path } = scene.shapes(around({ count: 7 }))[3]!
    expect(path[0]!.segments.every((segment) => segment.kind === 'arc' && Math.abs(segment.rx - 1) < 1e-12)).toBe(true)
    const bar = { ...dot(12, 4), h: 6, y: 1 } as DrawingObject
    const box = (object: DrawingObject) => pathBounds(scene.shapes(object)[1]!.path)!
    const course = { by: 'turn', at: { x: 12, y: 12 }, count: 4, angle: 360 }
    expect(box(repeat(course, [bar]))).toMatchObject({ w: 6, h: 2 })
    expect(box(repeat({ ...course, upright: true }, [bar]))).toMatchObject({ w: 2, h: 6 })
  })

  it('has a radius that can be typed, and copies that are off, of another role or colour', () => {
    const radius = kindOf(around({})).ledger.fields!(around({})).find(({ id }) => id === 'radius')!
    const wider = (radius as { write: (o: DrawingObject, v: number, s: typeof scene) => DrawingObject }).write(
      around({}),
      10,
      scene,
    )
    expect(centres(wider)[1]).toEqual([22, 12])
    const own = {
      ...around({}),
      copies: [
        { at: 1, off: true },
        { at: 2, fill: '#d5401b' },
      ],
    } as DrawingObject
    const shapes = scene.shapes(own)
    expect(shapes).toHaveLength(3)
    expect(shapes.map(({ fill }) => (fill && 'name' in fill ? fill.name : null))).toEqual(['ink', '#d5401b', 'ink'])
    // A ring of overlapping discs of which the second is cut out of the first.
    const near = { by: 'turn', at: { x: 12, y: 5 }, count: 2, angle: 180 }
    const pair = repeat(near, [dot(12, 4, 4)], { copies: [{ at: 1, role: 'cuts' }] })
    const lens = 2 * 4 * Math.acos(1 / 2) - Math.sqrt(16 - 4)
    expect(areaOf(scene.solid(pair))).toBeCloseTo(4 * Math.PI - lens, 9)
    expect(areaOf(scene.solid({ ...pair, copies: undefined } as never))).toBeCloseTo(8 * Math.PI - lens, 9)
  })
})

describe('a repeat along a path', () => {
  const run = {
    closed: false,
    nodes: [
      { x: 4, y: 12 },
      { x: 20, y: 12 },
    ],
  }
  const along = (more: object, nodes: object = run) =>
    repeat({ by: 'path', run: nodes, count: 5, ...more }, [dot(12, 4)])

  it('goes by count or by distance, with its ends or without', () => {
    expect(centres(along({})).map(([x]) => x)).toEqual([4, 8, 12, 16, 20])
    expect(centres(along({ inside: true, count: 3 })).map(([x]) => x)).toEqual([8, 12, 16])
    expect(centres(along({ distance: 5 })).map(([x]) => x)).toEqual([4, 9, 14, 19])
    expect(centres(along({ distance: 4, inside: true })).map(([x]) => x)).toEqual([8, 12, 16])
  })

  it('turns along an arc, evenly by its length', () => {
    const half = {
      closed: false,
      nodes: [
        { x: 4, y: 12, arc: { rx: 8, ry: 8, sweep: true } },
        { x: 20, y: 12 },
      ],
    }
    const places = centres(along({ count: 3 }, half))
    expect(places).toEqual([
      [4, 12],
      [12, 4],
      [20, 12],
    ])
    const bar = { ...dot(12, 4), h: 6, y: 1 } as DrawingObject
    const object = repeat({ by: 'path', run: half, count: 3, turned: true }, [bar])
    const sizes = scene.shapes(object).map(({ path }) => Math.round(pathBounds(path)!.w))
    expect(sizes).toEqual([2, 6, 2])
  })
})

describe('a repeat in a lattice', () => {
  const lattice = (more: object) =>
    repeat({ by: 'lattice', columns: 3, rows: 2, across: { x: 4, y: 0 }, down: { x: 0, y: 3 }, ...more }, [dot(4, 4)])

  it('shifts every other row', () => {
    expect(centres(lattice({ shift: 0.5 }))).toEqual([
      [4, 4],
      [8, 4],
      [12, 4],
      [6, 7],
      [10, 7],
      [14, 7],
    ])
  })

  it('loosens into objects of their own that look the same', () => {
    let next = 0
    const copies = loosened(lattice({}), scene, () => `new-${next++}`)
    expect(copies.map(({ id }) => id)).toEqual(['dot', 'new-0', 'new-1', 'new-2', 'new-3', 'new-4'])
    expect(copies.flatMap(centres)).toEqual(centres(lattice({})))
  })

  it('of a lattice of a lattice is counted before it is drawn, and refused in a sentence', () => {
    const many = { columns: 200, rows: 200 }
    const inner = { ...lattice(many), id: 'inner' } as DrawingObject
    const outer = repeat({ by: 'lattice', ...many, across: { x: 1, y: 0 }, down: { x: 0, y: 1 } }, [inner])
    expect(isExcessive(costOf(outer))).toBe(true)
    expect(refusalIn(outer, scene)!.message).toMatch(/^“r” comes to .* segments; at most 60,000 are drawn\.$/)
  })
})
