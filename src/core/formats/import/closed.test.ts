import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { pixelsOf } from '../../../testing/rasterise'
import { random } from '../../../testing/shapes'
import type { DrawingObject } from '../../drawing/objects/object'
import { walk } from '../../drawing/objects/tree'
import { nodesOf } from '../../drawing/model/nodes'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { svgOfShapes } from '../../picture/svg'
import { STARTERS } from '../../rules/starters'
import { readPathData } from '../path-reader'
import { readSvg } from './svg/read-svg'

const { rules } = STARTERS[0]!
const svg = (d: string, look: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24"><path d="${d}" ${look}/></svg>`
const stroked = (cap: string, join: string, more = '') =>
  `fill="none" stroke="#000" stroke-width="2" stroke-linecap="${cap}" stroke-linejoin="${join}" ${more}`
const kinds = (text: string) => [...walk(readSvg(text).objects)].map(({ object }) => object.kind)
const drawn = (objects: readonly DrawingObject[]) => svgOfShapes(evaluateAll(objects, sceneOf(rules)), 24, 'light')

/**
 * The greatest difference of two pictures at one place, of 255, over the means of 3 × 3 pixels at 8 pixels a unit: a
 * missing cap or join of the thinnest stroke is over 60.
 */
function farthest(a: string, b: string): number {
  const side = 192,
    [p, q] = [pixelsOf(a, side), pixelsOf(b, side)]
  let most = 0
  for (let y = 1; y < side - 1; y += 2)
    for (let x = 1; x < side - 1; x += 2) {
      let sum = 0
      for (let v = -1; v <= 1; v++)
        for (let u = -1; u <= 1; u++) {
          const i = 4 * ((y + v) * side + x + u) + 3
          sum += p[i]! - q[i]!
        }
      most = Math.max(most, Math.abs(sum) / 9)
    }
  return most
}

const CIRCLE = 'M21 12A9 9 0 1 1 3 12A9 9 0 1 1 21 12',
  SQUARE = 'M4 4H20V20H4V4',
  CARD = 'M6 4H18A2 2 0 0 1 20 6V18A2 2 0 0 1 18 20H6A2 2 0 0 1 4 18V6A2 2 0 0 1 6 4'

describe('a contour that returns to its start', () => {
  it('is closed where that paints the same: fills, round strokes, and strokes with a smooth start', () => {
    for (const look of ['fill="#000"', stroked('round', 'round'), stroked('butt', 'miter')]) {
      expect([look, kinds(svg(CIRCLE, look))]).toEqual([look, ['ellipse']])
      expect([look, kinds(svg(CARD, look))]).toEqual([look, ['rectangle']])
    }
    expect(kinds(svg(SQUARE, 'fill="#000"'))).toEqual(['rectangle'])
    expect(kinds(svg(SQUARE, stroked('round', 'round')))).toEqual(['rectangle'])
    // Square caps fill a right corner as a miter does.
    expect(kinds(svg(SQUARE, stroked('square', 'miter')))).toEqual(['rectangle'])
  })

  it('has a join of its own at its start where only that paints the same, and stays open where none does', () => {
    const [mixed] = readSvg(svg(SQUARE, stroked('round', 'miter'))).objects
    expect(mixed).toMatchObject({ kind: 'path', contours: [{ closed: true }] })
    expect(mixed).toMatchObject({ contours: [{ nodes: [{ join: 'round' }, {}, {}, {}] }] })
    expect(readSvg(svg(SQUARE, stroked('butt', 'miter'))).objects).toMatchObject([{ contours: [{ closed: false }] }])
    const dashed = stroked('round', 'round', 'stroke-dasharray="3 2"')
    expect(readSvg(svg(SQUARE, dashed)).objects).toMatchObject([{ contours: [{ closed: false }] }])
    // A line there and back encloses nothing.
    expect(readSvg(svg('M4 4L20 20L4 4', stroked('round', 'round'))).objects).toMatchObject([
      { contours: [{ closed: false }] },
    ])
  })

  it('looks as before, whatever its caps, joins, weight and curves', () => {
    const next = random(11),
      one = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!
    for (let i = 0; i < 120; i++) {
      const at = () => `${(3 + 18 * next()).toFixed(2)} ${(3 + 18 * next()).toFixed(2)}`
      const from = at()
      const parts = Array.from({ length: 2 + Math.floor(3 * next()) }, () =>
        next() < 0.5 ? `L${at()}` : next() < 0.7 ? `C${at()} ${at()} ${at()}` : `A7 5 20 0 1 ${at()}`,
      )
      const d = `M${from}${parts.join('')}${next() < 0.6 ? `L${from}` : `Q${at()} ${from}`}`
      const style = {
        fill: 'none',
        stroke: '#000000',
        weight: one([0.5, 1.5, 3]),
        cap: one(['butt', 'round', 'square'] as const),
        join: one(['miter', 'round', 'bevel'] as const),
      } as const
      // The same with its end open.
      const contours = readPathData(d).map((contour) => nodesOf(contour))
      const open = { kind: 'path', id: 'a', name: 'a', corner: 0, contours, style } as DrawingObject
      const { objects } = readSvg(
        svg(
          d,
          `fill="none" stroke="#000000" stroke-width="${style.weight}" stroke-linecap="${style.cap}" stroke-linejoin="${style.join}"`,
        ),
      )
      expect([d, style, farthest(drawn(objects), drawn([open])) < 48]).toEqual([d, style, true])
    }
  })

  it('is what it is with its end written: whole icons without a single z read as with all of them', () => {
    const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')
    const files = readdirSync(folder).filter((name) => name.endsWith('.svg'))
    let closedOnes = 0
    for (const name of files.filter((_, i) => i % 6 === 0)) {
      const text = readFileSync(join(folder, name), 'utf8')
      // The way back to the start is written in place of z.
      const open = text.replace(/d="M([\d.-]+)[ ,]?([\d.-]+)([^Mmz"]+)z"/gi, (_, x, y, rest) => {
        closedOnes++
        return `d="M${x} ${y}${rest}L${x} ${y}"`
      })
      expect([name, kinds(open)]).toEqual([name, kinds(text)])
    }
    expect(closedOnes).toBeGreaterThan(20)
  })
})
