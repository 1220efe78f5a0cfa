import { describe, expect, it } from 'vitest'
import { apart } from '../../testing/apart'
import { random } from '../../testing/shapes'
import { randomPath } from '../../testing/stroke-oracle'
import { readPathData } from '../formats/path-reader'
import { arcCentre } from '../geometry/arc'
import { splitCubic } from '../geometry/cubic'
import { ellipse, type Path, polyline, segmentCount } from '../geometry/path'
import { point } from '../geometry/point'
import { type Cubic, line, pointAt, type Segment } from '../geometry/segment'
import { freehand } from './freehand'
import { recognise } from './recognise'
import { withoutNodes } from './refit'
import { simplify } from './simplify'

const K = 0.5522847498
const fourCubics = (r: number, digits: number): Path => {
  const n = (v: number) => Number(v.toFixed(digits))
  const k = n(r * K)
  return readPathData(
    `M${n(12 - r)} 12C${n(12 - r)} ${n(12 - k)} ${n(12 - k)} ${n(12 - r)} 12 ${n(12 - r)}C${n(12 + k)} ${n(12 - r)} ${n(12 + r)} ${n(12 - k)} ${n(12 + r)} 12C${n(12 + r)} ${n(12 + k)} ${n(12 + k)} ${n(12 + r)} 12 ${n(12 + r)}C${n(12 - k)} ${n(12 + r)} ${n(12 - r)} ${n(12 + k)} ${n(12 - r)} 12z`,
  )
}
const kinds = (path: Path) => path.flatMap(({ segments }) => segments.map(({ kind }) => kind))

describe('recognising', () => {
  it('gives back the circle of four cubics, of any size and written with few digits', () => {
    for (const [r, digits] of [
      [9, 4],
      [2, 3],
      [10.5, 2],
      [480, 1],
    ] as const) {
      const [contour, ...more] = recognise(fourCubics(r, digits), 0.01)
      expect([more.length, contour!.segments.length]).toEqual([0, 2])
      for (const s of contour!.segments) {
        const { centre, rx, ry } = arcCentre(s as Segment & { kind: 'arc' })
        for (const [is, should] of [
          [centre.x, 12],
          [centre.y, 12],
          [rx, r],
          [ry, r],
        ])
          expect(Math.abs(is! - should!)).toBeLessThan(0.01)
      }
    }
  })

  it('gives back the lines and arcs of a rounded rectangle, and an upright ellipse', () => {
    const rounded = readPathData(
      'M6 4C10 4 14 4 18 4C19.1046 4 20 4.8954 20 6C20 10 20 14 20 18C20 19.1046 19.1046 20 18 20C14 20 10 20 6 20C4.8954 20 4 19.1046 4 18L4 6C4 4.8954 4.8954 4 6 4z',
    )
    expect(kinds(recognise(rounded, 0.001))).toEqual(['line', 'arc', 'line', 'arc', 'line', 'arc', 'line', 'arc'])
    const oval = recognise(
      readPathData(
        'M2 12C2 8.6863 6.4772 6 12 6C17.5228 6 22 8.6863 22 12C22 15.3137 17.5228 18 12 18C6.4772 18 2 15.3137 2 12z',
      ),
      0.001,
    )
    expect(kinds(oval)).toEqual(['arc', 'arc'])
    expect(oval[0]!.segments[0]).toMatchObject({ rx: expect.closeTo(10, 6), ry: expect.closeTo(6, 6) })
  })

  it('leaves curves that are neither alone', () => {
    const wave = readPathData('M0 0C4 6 8 -6 12 0C13 5 20 9 24 0')
    expect(recognise(wave, 0.01)).toEqual(wave)
  })
})

describe('simplifying', () => {
  it('stays within the tolerance of any path, and never has more segments', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const next = random(seed),
        path = randomPath(next, seed % 2 === 0),
        tolerance = [0.01, 0.1, 0.4][seed % 3]!
      const simple = simplify(path, tolerance)
      expect([
        seed,
        apart(path, simple) <= tolerance * 1.01 + 1e-9,
        segmentCount(simple) <= segmentCount(path),
      ]).toEqual([seed, true, true])
    }
  })

  it('takes out the nodes of a curve that was cut, and of circles drawn in many lines', () => {
    const whole = readPathData('M2 20C4 2 20 2 22 20')[0]!.segments[0] as Cubic
    const cuts: Segment[] = []
    let rest = whole
    for (const t of [0.2, 0.25, 0.5, 0.4]) {
      const [piece, more] = splitCubic(rest, t)
      cuts.push(piece)
      rest = more
    }
    expect(segmentCount(simplify([{ segments: [...cuts, rest], closed: false }], 0.01))).toBe(1)
    const many = polyline(
      Array.from({ length: 120 }, (_, i) =>
        point(12 + 9 * Math.cos((i * Math.PI) / 60), 12 + 9 * Math.sin((i * Math.PI) / 60)),
      ),
      true,
    )
    const round = simplify([many], 0.05)
    expect(segmentCount(round)).toBeLessThanOrEqual(3)
    expect(kinds(round).every((kind) => kind === 'arc')).toBe(true)
  })

  it('keeps corners where they are', () => {
    const square = polyline([point(0, 0), point(5, 0), point(10, 0), point(10, 10), point(0, 10)], true)
    expect(simplify([square], 0.1)[0]!.segments.map(({ from }) => from)).toEqual([
      point(0, 0),
      point(10, 0),
      point(10, 10),
      point(0, 10),
    ])
  })
})

describe('what a hand drew', () => {
  const shaky = (next: () => number, p: { x: number; y: number }, by: number) =>
    point(p.x + (next() - 0.5) * by, p.y + (next() - 0.5) * by)

  it('becomes few segments within the smoothness; a line is a line, a circle an arc', () => {
    const next = random(7)
    const straight = Array.from({ length: 60 }, (_, i) => shaky(next, point(2 + i / 3, 4), 0.1))
    expect(freehand(straight, 0.25)!.segments.map(({ kind }) => kind)).toEqual(['line'])
    const bow = Array.from({ length: 80 }, (_, i) =>
      shaky(next, point(12 + 8 * Math.cos(i / 30), 12 + 8 * Math.sin(i / 30)), 0.1),
    )
    const arc = freehand(bow, 0.25)!
    expect(arc.segments.map(({ kind }) => kind)).toEqual(['arc'])
    expect(apart([arc], [polyline(bow, false)])).toBeLessThan(0.3)
    const wave = Array.from({ length: 200 }, (_, i) => point(i / 10, 10 + 4 * Math.sin(i / 22)))
    for (const [smoothness, most] of [
      [0.05, 8],
      [0.3, 5],
    ] as const) {
      const fit = freehand(wave, smoothness)!
      expect(fit.segments.length).toBeLessThanOrEqual(most)
      expect(apart([fit], [polyline(wave, false)], 20)).toBeLessThan(1.1 * smoothness)
    }
  })

  it('keeps its corners, and runs on smoothly between them', () => {
    const zigzag = [point(0, 0), point(8, 0), point(8, 8), point(0, 8)].flatMap((p, i, all) => {
      const q = all[i + 1]
      return q
        ? Array.from({ length: 30 }, (_, k) => point(p.x + ((q.x - p.x) * k) / 30, p.y + ((q.y - p.y) * k) / 30))
        : [p]
    })
    const fit = freehand(zigzag, 0.1)!
    expect(fit.segments.map(({ kind }) => kind)).toEqual(['line', 'line', 'line'])
    expect(freehand([point(1, 1), point(1, 1)], 0.1)).toBeNull()
  })
})

describe('taking nodes away', () => {
  it('keeps an outline closed: a square becomes a triangle, a circle a circle', () => {
    const square = polyline([point(0, 0), point(10, 0), point(10, 10), point(0, 10)], true)
    expect(withoutNodes(square, new Set([1]))!.segments.map(({ from }) => from)).toEqual([
      point(0, 0),
      point(10, 10),
      point(0, 10),
    ])
    const quarters = readPathData('M3 12A9 9 0 0 1 12 3A9 9 0 0 1 21 12A9 9 0 0 1 12 21A9 9 0 0 1 3 12z')[0]!
    const fewer = withoutNodes(quarters, new Set([1, 3]))!
    expect(fewer.segments.map((s) => (s.kind === 'arc' ? s.rx : 0))).toEqual([9, 9])
    expect(apart([fewer], [quarters])).toBeLessThan(1e-9)
    expect(withoutNodes(square, new Set([0, 1, 2]))).toBeNull()
  })

  it('gives back a curve that was cut, and comes nearer with more pieces', () => {
    const whole = readPathData('M2 20C4 2 20 2 22 20')[0]!
    const [a, b] = splitCubic(whole.segments[0] as Cubic, 0.35)
    expect(apart([withoutNodes({ segments: [a, b], closed: false }, new Set([1]))!], [whole])).toBeLessThan(1e-6)
    const wild = readPathData('M0 0C6 0 6 6 12 6C16 6 17 2 14 1C11 0 9 5 13 9')[0]!
    const [one, two, three] = [1, 2, 3].map((pieces) => apart([withoutNodes(wild, new Set([1, 2]), pieces)!], [wild]))
    expect(two).toBeLessThan(one!)
    expect(three).toBeLessThan(two!)
  })

  it('at the end of an open path takes what lies beyond', () => {
    const open = polyline([point(0, 0), point(5, 0), point(5, 5)], false)
    expect(withoutNodes(open, new Set([2]))!.segments.map(({ to }) => to)).toEqual([point(5, 0)])
  })
})

describe('the circle a stretch is taken for', () => {
  it('runs the same way round as the stretch', () => {
    for (const sweep of [true, false]) {
      const arc = { ...(ellipse(point(0, 0), 5, 5).segments[0] as Segment & { kind: 'arc' }), sweep }
      const lines = polyline(
        Array.from({ length: 60 }, (_, i) => pointAt(arc, i / 59)),
        false,
      )
      expect(simplify([lines], 0.05)[0]!.segments[0]).toMatchObject({ kind: 'arc', sweep })
    }
  })
})

describe('any path with any tolerance', () => {
  it('keeps every contour, dots and what is smaller than the tolerance included', () => {
    const next = random(5)
    for (let i = 0; i < 150; i++) {
      const dot = { segments: [line(point(3, i), point(3, i))], closed: i % 2 === 0 }
      const given = [...randomPath(next, false), dot, ...randomPath(next, true)]
      for (const tolerance of [0.001, 0.1, 2, 30])
        expect([i, tolerance, simplify(given, tolerance).length]).toEqual([i, tolerance, given.length])
    }
    expect(simplify(readPathData('M4 4H20M12 16h0M4 8V20'), 0.01)).toHaveLength(3)
  })
})
