import fc from 'fast-check'
import { expect, it } from 'vitest'
import { runs } from '../../../testing/runs'
import type { DrawingObject } from '../../drawing/objects/object'
import { walk } from '../../drawing/objects/tree'
import { STARTERS } from '../../rules/starters'
import { drawingSvg } from '../../picture/drawn'
import { rasterised } from '../../../testing/rasterised'
import { inPieces } from './live-pieces'
import { isFailed, readIcon } from './read-icon'

const { rules } = STARTERS[0]!

/** Whole shapes and others, each in the cell of a grid whose corner is given, and what each is as an object. */
const circle = (x: number, y: number, r: number, sweep: 0 | 1) =>
  `M${x - r} ${y}a${r} ${r} 0 1 ${sweep} ${2 * r} 0a${r} ${r} 0 1 ${sweep} ${-2 * r} 0z`
const SHAPES: Readonly<Record<string, readonly [kind: string, (x: number, y: number) => string]>> = {
  dot: ['ellipse', (x, y) => circle(x + 3, y + 3, 1.5, 1)],
  bar: ['rectangle', (x, y) => `M${x + 1} ${y + 2}h4v2h-4z`],
  card: [
    'rectangle',
    (x, y) => `M${x + 2} ${y + 1}h2a1 1 0 0 1 1 1v2a1 1 0 0 1-1 1h-2a1 1 0 0 1-1-1v-2a1 1 0 0 1 1-1z`,
  ],
  ring: ['assembly', (x, y) => circle(x + 3, y + 3, 2.5, 1) + circle(x + 3, y + 3, 1, 0)],
  eye: ['assembly', (x, y) => circle(x + 3, y + 3, 2.5, 1) + `M${x + 2} ${y + 2.5}v1h2v-1z`],
  leaf: ['path', (x, y) => `M${x + 1} ${y + 1}q4 0 4 4q-3.5-.5-4-4z`],
  holed: ['path', (x, y) => `M${x + 1} ${y + 1}q4 0 4 4q-4 0-4-4z${circle(x + 3.4, y + 2.6, 0.3, 0)}`],
}

const pixelsOf = (objects: readonly DrawingObject[]) => rasterised(drawingSvg(objects, rules, 'light'), 96).data

it('a filled path of several pieces becomes one object for each that is a whole shape, the rest one path, all looking alike', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.tuple(fc.nat(15), fc.constantFrom(...Object.keys(SHAPES))), {
        selector: ([cell]) => cell,
        minLength: 2,
        maxLength: 9,
      }),
      fc.constantFrom('nonzero', 'evenodd'),
      fc.boolean(),
      (cells, rule, isFlipped) => {
        const d = cells.map(([cell, name]) => SHAPES[name]![1](6 * (cell % 4), 6 * Math.floor(cell / 4))).join('')
        const flip = isFlipped ? ' transform="matrix(-1 0 0 1 24 0)"' : ''
        const text = `<svg viewBox="0 0 24 24"><path fill-rule="${rule}"${flip} d="${d}"/></svg>`
        const read = readIcon({ path: 'icon.svg', text })
        if (isFailed(read)) throw new Error(read.sentence)
        const objects = inPieces(read.objects, 0.01)
        const kinds = cells.map(([, name]) => SHAPES[name]![0])
        const wanted = [...kinds.filter((kind) => kind !== 'path'), ...(kinds.includes('path') ? ['path'] : [])]
        expect(objects.map(({ kind }) => kind).sort()).toEqual(wanted.sort())
        // Strokes that were found in an area leave ids of this kind beside the path that is left of it.
        const beside = inPieces([...read.objects, ...read.objects.map((one) => ({ ...one, id: `${one.id}-2` }))], 0.01)
        for (const all of [objects, beside]) {
          const ids = [...walk(all)].map(({ object }) => object.id)
          expect(new Set(ids).size).toBe(ids.length)
        }
        const [before, after] = [pixelsOf(read.objects), pixelsOf(objects)]
        const apart = before.reduce((most, value, i) => Math.max(most, Math.abs(value - after[i]!)), 0)
        expect(apart).toBeLessThanOrEqual(2)
      },
    ),
    runs(60),
  )
})

it('a ring whose outlines begin with a sliver, as fonts have them, keeps its hole', () => {
  /** A circle of curves of three points in whole units, from a line of one unit that leads back over itself. */
  const round = (cx: number, r: number, way: 1 | -1) => {
    const at = (turn: number, by = 1) =>
      `${Math.round(cx + r * by * Math.sin(way * turn))} ${Math.round(500 - r * by * Math.cos(turn))}`
    const step = Math.PI / 4,
      out = 1 / Math.cos(step / 2)
    const curves = Array.from({ length: 8 }, (_, i) => `Q${at((i + 0.5) * step, out)} ${at((i + 1) * step)}`)
    return `M${cx} ${500 - r}L${cx + 1} ${500 - r}${curves.join('')}L${cx} ${500 - r}Z`
  }
  for (const r of [100, 166, 120, 83])
    for (const way of [1, -1] as const) {
      const d = round(290, 166, way) + round(290, r / 2, way === 1 ? -1 : 1) + round(720, 150, way)
      const text = `<svg viewBox="0 0 24 24"><path transform="scale(.024)" d="${d}"/></svg>`
      const read = readIcon({ path: 'ring.svg', text })
      if (isFailed(read)) throw new Error(read.sentence)
      const [before, after] = [pixelsOf(read.objects), pixelsOf(inPieces(read.objects, 0.01))]
      const apart = before.reduce((sum, value, i) => sum + Math.abs(value - after[i]!), 0) / before.length
      expect(apart, `${r} ${way}`).toBeLessThan(0.3)
    }
})

it('numbers with few digits are what they were meant to be; those with large steps are meant as they are', () => {
  const kindOf = (d: string, size = 24) => {
    const read = readIcon({ path: 'icon.svg', text: `<svg viewBox="0 0 ${size} ${size}"><path d="${d}"/></svg>` })
    return isFailed(read) ? read.sentence : read.objects[0]!.kind
  }
  /** A circle by eight curves of four points, each number rounded to so many digits. */
  const rounded = (digits: number, size: number) => {
    const r = 0.4 * size,
      k = (4 / 3) * Math.tan(Math.PI / 16)
    const at = (turn: number, out: number) => {
      const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
      return `${(size / 2 + r * (cos - out * sin)).toFixed(digits)} ${(size / 2 + r * (sin + out * cos)).toFixed(digits)}`
    }
    const turns = Array.from({ length: 8 }, (_, i) => (i * Math.PI) / 4)
    return `M${at(0, 0)}${turns.map((turn) => `C${at(turn, k)} ${at(turn + Math.PI / 4, -k)} ${at(turn + Math.PI / 4, 0)}`).join('')}z`
  }
  expect(kindOf(rounded(3, 24))).toBe('ellipse')
  expect(kindOf(rounded(2, 24))).toBe('ellipse')
  expect(kindOf(rounded(0, 2048), 2048)).toBe('ellipse')
  expect(kindOf(rounded(0, 24))).toBe('path')
})
