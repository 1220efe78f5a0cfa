import fc from 'fast-check'
import paper from 'paper'
import { describe, expect, it } from 'vitest'
import { random, randomShape } from '../../testing/shapes'
import { distanceToPath, flatten } from '../../testing/flatten'
import { type Contour, transformPath } from '../geometry/path'
import { nearestOnPath } from '../geometry/nearest'
import type { Point } from '../geometry/point'
import type { Segment } from '../geometry/segment'
import { compactPathData, pathData } from './path-data'
import { PathDataError, readPathData } from './path-reader'
import { runs } from '../../testing/runs'

/** Cubics, some as round as cubics can be, some a little off, smooth or not, some nearly straight or nearly quadratic. */
function nearlyRound(next: () => number, size: number): Contour {
  let angle = next() * 7,
    from = { x: next() * size, y: next() * size }
  const segments: Segment[] = []
  for (let i = 0; i < 6; i++) {
    const turn = (next() - 0.5) * (next() < 0.3 ? 0.02 : 2.6),
      radius = size * (0.2 + next()),
      reach = (4 / 3) * Math.tan(Math.abs(turn) / 4) * radius * (next() < 0.5 ? 1 : 0.97 + 0.06 * next())
    const chord = 2 * radius * Math.sin(Math.abs(turn) / 2),
      step = (length: number, way: number, at: Point) => ({
        x: at.x + length * Math.cos(way),
        y: at.y + length * Math.sin(way),
      })
    const to = step(chord, angle + turn / 2, from)
    segments.push({
      kind: 'cubic',
      from,
      c1: step(reach, angle, from),
      c2: step(-reach, angle + turn * (next() < 0.8 ? 1 : 1.2), to),
      to,
    })
    from = to
    if (next() < 0.7) angle += turn
    else angle = next() * 7
  }
  return { segments, closed: false }
}

const SMOOTH = readPathData('M1 1c2 0 4 2 4 4s2 4 4 4S9 12 8 12q3 0 3 3t3 3T12 2z')

describe('reading path data', () => {
  it('gives back what was written, to the digits that were written', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const { path } = randomShape(random(seed))
      const back = readPathData(pathData(path, 9))
      const places = (of: typeof path) =>
        of.flatMap(({ segments }) =>
          segments.map(({ kind, from, to }) => [
            kind,
            from.x.toFixed(8),
            from.y.toFixed(8),
            to.x.toFixed(8),
            to.y.toFixed(8),
          ]),
        )
      expect(places(back)).toEqual(places(path))
      expect(pathData(back, 9)).toBe(pathData(path, 9))
    }
  })

  it('finds what was written in as few characters as it takes where it was, within four of its last digits', () => {
    const kinds = new Set<string>()
    for (let seed = 1; seed <= 150; seed++) {
      const next = random(seed),
        size = 10 ** (next() * 3 - 1)
      const from = [randomShape(next).path, [nearlyRound(next, size)], SMOOTH][seed % 3]!,
        path = transformPath(from, [1, 0, 0, 1, next(), next()])
      for (const painted of ['filled', 'stroked round', 'stroked'] as const) {
        const text = compactPathData(path, painted)
        for (const [letter] of text.matchAll(/[a-z]/gi)) kinds.add(letter.toUpperCase())
        const back = readPathData(text).map((contour, i) => ({ ...contour, closed: path[i]!.closed }))
        expect(back.length, text).toBe(path.length)
        for (const [one, other] of [
          [path, back],
          [back, path],
        ] as const)
          for (const p of one.flatMap((contour) => flatten(contour, 1e-4 * Math.max(1, size))))
            expect(nearestOnPath(other, p)!.distance, `${seed} ${text}`).toBeLessThan(4e-3)
      }
    }
    expect([...kinds].sort().join('')).toBe('ACHLMQSTVZ')
  })

  it('takes every command as another program does', () => {
    const scope = new paper.PaperScope()
    scope.setup(new scope.Size(1, 1))
    for (const text of [
      'M3 4 10 4l2 3-1 .5.5.5H2V9h4v-3z',
      'M1 1c2 0 4 2 4 4s2 4 4 4S9 12 8 12z',
      'm2 2q3 0 3 3t3 3T12 2Q1 1 2 9',
      'M2 8a4 3 20 0 1 8 0A4 4 0 1 0 2 8',
      'M10 10h5v5H10zm8 0h5v5h-5z M0 0 1e1-.5E1',
    ]) {
      const read = readPathData(text)
      const item = new scope.CompoundPath(text)
      for (const contour of read) {
        for (const p of flatten(contour, 0.01)) {
          const near = item.getNearestPoint(new scope.Point(p.x, p.y))
          expect(Math.hypot(near.x - p.x, near.y - p.y), text).toBeLessThan(0.01)
        }
      }
      for (let i = 0; i <= 40; i++) {
        const at = (item.length * i) / 40
        const child = item.children[0] as paper.Path
        if (at <= child.length) expect(distanceToPath(read, child.getPointAt(at)), text).toBeLessThan(0.02)
      }
    }
  })

  it('reads the flags of an arc that stand together', () => {
    expect(readPathData('M0 0a2 2 0 014 0')[0]!.segments[0]).toMatchObject({
      kind: 'arc',
      large: false,
      sweep: true,
      to: { x: 4, y: 0 },
    })
  })

  it('says what is wrong and where', () => {
    for (const [text, at, sentence] of [
      ['L1 1', 0, 'Path data begins with M'],
      ['M1 1 L2', 7, 'The path data is cut off'],
      ['M1 1 X2 2', 5, '“X” is no path command'],
      ['M1 1z 3 3', 6, 'A command is missing'],
      ['M1 1a2 2 0 2 1 3 3', 11, 'A flag, 0 or 1, is missing'],
      ['M1 NaN', 3, 'A number is missing'],
      ['M1 1e400', 3, 'A number is too large'],
    ] as const) {
      try {
        readPathData(text)
        expect.unreachable(text)
      } catch (error) {
        expect(error, text).toBeInstanceOf(PathDataError)
        expect([(error as PathDataError).at, (error as Error).message], text).toEqual([
          at,
          `${sentence}, at character ${at + 1}.`,
        ])
      }
    }
  })

  it('never fails in any other way', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(...'MmLlHhVvCcSsQqTtAaZz0123456789 .,-+eE'), maxLength: 40 }),
        (text) => {
          try {
            readPathData(text)
          } catch (error) {
            expect(error).toBeInstanceOf(PathDataError)
          }
        },
      ),
      runs(1000),
    )
  })
})
