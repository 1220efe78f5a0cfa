import { describe, expect, it } from 'vitest'
import { random, randomShape } from '../../testing/shapes'
import { area } from '../geometry/area'
import { ellipse, type Path, polyline, segmentCount } from '../geometry/path'
import { point } from '../geometry/point'
import { combine } from './boolean'
import { closeLeak, leaks } from './leaks'
import { outlineOf } from './loops'
import { divide, patchwork, withoutEdges } from './patches'

const circle = (x: number, y: number, r: number): Path => [ellipse({ x, y }, r, r)]
const stroke = (...points: [number, number][]): Path => [
  polyline(
    points.map(([x, y]) => point(x, y)),
    false,
  ),
]
const sum = (paths: readonly Path[]) => paths.reduce((total, path) => total + area(path), 0)

describe('dividing', () => {
  it('cuts a ring by lines into sectors of equal area that abut', () => {
    const ring: Path = combine([
      { path: circle(12, 12, 10), role: 'adds' },
      { path: circle(12, 12, 4), role: 'cuts' },
    ])
    const spokes = [0, 60, 120].map((degrees) => {
      const x = 14 * Math.cos((degrees * Math.PI) / 180),
        y = 14 * Math.sin((degrees * Math.PI) / 180)
      return stroke([12 - x, 12 - y], [12 + x, 12 + y])
    })
    const blades = divide([ring, ...spokes])
    expect(blades).toHaveLength(6)
    for (const blade of blades) {
      expect(area(blade)).toBeCloseTo((Math.PI * 84) / 6, 9)
      expect(segmentCount(blade)).toBe(4)
    }
  })

  it('loses nothing and doubles nothing: the pieces come to the union', () => {
    const next = random(11)
    for (let i = 0; i < 120; i++) {
      const shapes = Array.from({ length: 2 + Math.floor(next() * 3) }, () => randomShape(next).path)
      const cuts = Array.from({ length: 3 }, () =>
        stroke([next() * 30 - 3, next() * 30 - 3], [next() * 30 - 3, next() * 30 - 3]),
      )
      const whole = area(combine(shapes.map((path) => ({ path, role: 'adds' }))))
      expect(Math.abs(sum(divide([...shapes, ...cuts])) - whole)).toBeLessThan(1e-6 * whole)
    }
  })
})

describe('patches', () => {
  it('are all bounded faces, also those that only open lines enclose, with holes as holes', () => {
    const cross = [
      stroke([0, 4], [20, 4]),
      stroke([0, 16], [20, 16]),
      stroke([4, 0], [4, 20]),
      stroke([16, 0], [16, 20]),
    ]
    const { patches } = patchwork([...cross, circle(10, 10, 3)])
    expect(patches.map(({ path }) => area(path)).sort((a, b) => a - b)).toEqual([
      expect.closeTo(9 * Math.PI, 9),
      expect.closeTo(144 - 9 * Math.PI, 9),
    ])
    const [frame, disc] = patches.toSorted((a, b) => b.path.length - a.path.length)
    expect(frame!.path).toHaveLength(2)
    expect([...disc!.neighbours]).toEqual([frame!.face])
    expect([...frame!.neighbours].sort()).toEqual([0, disc!.face].sort())
  })

  it('swept together are one outline without a trace of what lay between', () => {
    const { arrangement, patches } = patchwork([circle(8, 12, 5), circle(14, 12, 5)])
    expect(patches).toHaveLength(3)
    expect(segmentCount(outlineOf(arrangement, (face) => face !== 0))).toBe(2)
  })

  it('become one where the edge between them is taken away, and open to the outside at its rim', () => {
    const square: Path = [polyline([point(0, 0), point(10, 0), point(10, 10), point(0, 10)], true)]
    const work = patchwork([square, stroke([5, -2], [5, 12])])
    expect(work.patches.map(({ path }) => area(path))).toEqual([50, 50])
    const { edges } = work.arrangement
    const middle = edges.findIndex(
      ({ segment: s }) => s.from.x === 5 && s.to.x === 5 && Math.min(s.from.y, s.to.y) === 0,
    )
    expect(withoutEdges(work, [middle]).patches.map(({ path }) => [area(path), segmentCount(path)])).toEqual([[100, 4]])
    const rim = edges.findIndex(({ segment: s }) => s.from.x === 0 && s.to.x === 0)
    expect(withoutEdges(work, [rim]).patches.map(({ path }) => area(path))).toEqual([50])
  })
})

describe('leaks', () => {
  it('are found where an end stops short, with place and gap, and close so that the patch is there', () => {
    const paths = [stroke([0, 0], [10, 0], [10, 10], [0, 10]), stroke([0.1, 0.03], [0.1, 10.2])]
    expect(patchwork(paths).patches).toHaveLength(0)
    const found = leaks(paths)
    expect(found.map(({ gap }) => gap)).toEqual([expect.closeTo(0.03, 12)])
    expect(found[0]!.at).toEqual({ x: expect.closeTo(0.1, 12), y: expect.closeTo(0.015, 12) })
    const [patch] = patchwork(closeLeak(paths, found[0]!)).patches
    expect(area(patch!.path)).toBeCloseTo(99, 9)
  })

  it('are found between two ends once, and between curves that pass each other', () => {
    expect(leaks([stroke([0, 0], [5, 0]), stroke([5.1, 0], [9, 4])])).toHaveLength(1)
    const between = leaks([circle(0, 0, 4), circle(8.02, 0, 4)])
    expect(between.map(({ at, gap }) => [at.x, at.y, gap])).toEqual([
      [expect.closeTo(4.01, 6), expect.closeTo(0, 6), expect.closeTo(0.02, 9)],
    ])
  })

  it('are not where things meet, cross or are far apart', () => {
    expect(
      leaks([circle(0, 0, 4), circle(8, 0, 4), circle(3, 3, 4), stroke([0, 0], [20, 20]), stroke([20, 20], [30, 20])]),
    ).toEqual([])
    expect(leaks([stroke([0, 0], [5, 0], [5, 5])])).toEqual([])
  })
})
