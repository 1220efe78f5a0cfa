import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { measure } from '../geometry/measure'
import type { Path } from '../geometry/path'
import type { Point } from '../geometry/point'
import type { Cubic } from '../geometry/segment'
import { strokedArea } from './stroking'

const curve = (...n: number[]): Cubic => ({
  kind: 'cubic',
  from: { x: n[0]!, y: n[1]! },
  c1: { x: n[2]!, y: n[3]! },
  c2: { x: n[4]!, y: n[5]! },
  to: { x: n[6]!, y: n[7]! },
})
const round = { width: 2, cap: 'round', join: 'round', miterLimit: 4 } as const
const stroked = (one: Cubic, style: Partial<Parameters<typeof strokedArea>[1]> = {}) =>
  measure(strokedArea([{ segments: [one], closed: false }], { ...round, ...style })).area

describe('strokes of curves that stand still', () => {
  it('that run straight and turn back are those of the line they cover', () => {
    expect(stroked(curve(2, 2, 22, 2, -8, 2, 12, 2))).toBeCloseTo(20 + Math.PI, 9)
    expect(stroked(curve(2, 2, 22, 2, -8, 2, 12, 2), { cap: 'butt', join: 'miter' })).toBeCloseTo(20, 9)
    // Beyond its ends: from 0 out to where it turns, at 4, and back; in any direction.
    const far = 4
    expect(stroked(curve(0, 0, 16 / 3, 0, 16 / 3, 0, 0, 0))).toBeCloseTo(2 * far + Math.PI, 9)
    fc.assert(
      fc.property(fc.double({ min: 0, max: 6.3, noNaN: true }), fc.constantFrom(0.5, 1, 3), (turn, width) => {
        const cos = Math.cos(turn),
          sin = Math.sin(turn),
          at = (d: number) => [12 + d * cos, 12 + d * sin]
        const area = stroked(curve(...at(-5), ...at(15), ...at(-15), ...at(5)), { width })
        expect(area).toBeCloseTo(10 * width + (Math.PI * width * width) / 4, 6)
      }),
    )
  })

  it('with a cusp in a curve that is a graph are as high at every place as the discs around it', () => {
    // y = a |x / b|^(2/3): every line across meets it once, so what the discs cover of that line is in one piece.
    for (const [a, b, width] of [
      [10, 6, 2],
      [6, 10, 3],
      [3, 4, 1],
    ] as const) {
      const one = curve(12 - b, 4 + a, 12 + b, 4 - a / 3, 12 - b, 4 - a / 3, 12 + b, 4 + a)
      const area = graphDiscs(
        (t) => b * t * t * t,
        (t) => a * t * t,
        width / 2,
      )
      expect(stroked(one, { width }) / area).toBeCloseTo(1, 4)
    }
  })
})

describe('strokes of a cusp between two arcs', () => {
  it('are two bands less what they share', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 9, noNaN: true }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 6.3, noNaN: true }),
        (r, share, turn) => {
          const h = 2.5 * share
          // The arcs leave the cusp alike, one to the left and one to the right, over more than the width hides.
          const angle = Math.acos(r / (r + h)) + 0.4
          const end = (side: number) => ({ x: r * Math.sin(angle), y: side * (r - r * Math.cos(angle)) })
          const at = ({ x, y }: Point): Point => ({
            x: 12 + x * Math.cos(turn) - y * Math.sin(turn),
            y: 12 + x * Math.sin(turn) + y * Math.cos(turn),
          })
          const arc = { kind: 'arc', rx: r, ry: r, turn: 0, large: false } as const
          const path: Path = [
            {
              segments: [
                { ...arc, from: at(end(1)), to: at({ x: 0, y: 0 }), sweep: false },
                { ...arc, from: at({ x: 0, y: 0 }), to: at(end(-1)), sweep: false },
              ],
              closed: false,
            },
          ]
          const outer = r + h
          const band = (angle * (outer * outer - (r - h) * (r - h))) / 2
          const beyond = (outer * outer * Math.acos(r / outer) - r * Math.sqrt(outer * outer - r * r)) / 2
          const area = measure(strokedArea(path, { ...round, width: 2 * h, cap: 'butt' })).area
          expect(area).toBeCloseTo(2 * (band - beyond) + (Math.PI * h * h) / 2, 6)
        },
      ),
    )
  })
})

/** The area of all discs of a radius around a graph over t from −1 to 1: the sum of heights between their hulls. */
function graphDiscs(x: (t: number) => number, y: (t: number) => number, r: number): number {
  const STEPS = 8000,
    left = x(-1) - r,
    wide = x(1) + r - left
  const places = Array.from({ length: 2 * STEPS + 1 }, (_, i) => i / STEPS - 1).map((t) => ({ x: x(t), y: y(t) }))
  let sum = 0,
    first = 0
  for (let i = 0; i < STEPS; i++) {
    const at = left + (wide * (i + 0.5)) / STEPS
    let top = -Infinity,
      bottom = Infinity
    while (places[first]!.x < at - r) first++
    for (let k = first; k < places.length && places[k]!.x <= at + r; k++) {
      const away = places[k]!.x - at,
        half = Math.sqrt(Math.max(0, r * r - away * away))
      top = Math.max(top, places[k]!.y + half)
      bottom = Math.min(bottom, places[k]!.y - half)
    }
    if (top > bottom) sum += top - bottom
  }
  return (sum * wide) / STEPS
}
