import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { pixelsOf } from '../../../testing/rasterise'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { STARTERS } from '../../rules/starters'
import { svgOfShapes } from '../../picture/svg'
import { gatheredSet } from './gather'
import { isFailed, readIcon, type ReadIcon } from './read-icon'
import { sourcesIn } from './sources'
import type { Source } from './reading'

const { rules } = STARTERS[0]!
const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')))
const ttf = readFileSync(join(folder, 'font', 'lucide.ttf')),
  woff = readFileSync(join(folder, 'font', 'lucide.woff'))
const codes = JSON.parse(readFileSync(join(folder, 'font', 'codepoints.json'), 'utf8')) as Record<string, number>

const glyphsIn = (path: string, bytes: Uint8Array): Source[] =>
  sourcesIn(path, bytes).map((one) => {
    if ('sentence' in one) throw new Error(one.sentence)
    return one
  })
const nameOf = ({ path }: Source) => path.replace(/^.*\//, '').replace(/\.svg$/, '')

const drawn = ({ objects, side }: Pick<ReadIcon, 'objects' | 'side'>) =>
  pixelsOf(svgOfShapes(evaluateAll(objects, sceneOf(rules)), side, 'light'), 96)

function difference(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let sum = 0
  for (let i = 3; i < a.length; i += 4) sum += Math.abs(a[i]! - b[i]!)
  return sum / (a.length / 4) / 255
}

describe('an icon font', () => {
  it('is an icon for each glyph, with its name and code point, on the grid it was drawn on', () => {
    const glyphs = glyphsIn('lucide.ttf', ttf)
    // Some code points share a glyph.
    expect(glyphs.length).toBeGreaterThan(0.98 * new Set(Object.values(codes)).size)
    const named = glyphs.filter((glyph) => codes[nameOf(glyph)] === glyph.code)
    expect(named.length).toBeGreaterThan(0.98 * glyphs.length)
    const all = new Set(Object.values(codes))
    for (const { path, code } of glyphs) expect([path, all.has(code!)]).toEqual([path, true])
    expect(glyphsIn('lucide.woff', woff)).toEqual(glyphs)
    expect(glyphs[0]!.text).toContain('viewBox="0 0 24 24"')
  })

  it('looks as the icons that it was made of', () => {
    const glyphs = glyphsIn('lucide.ttf', ttf).filter((_, i) => i % 40 === 0)
    for (const glyph of glyphs) {
      const name = nameOf(glyph),
        file = readFileSync(join(folder, 'icons', `${name}.svg`), 'utf8').replaceAll('currentColor', '#14231f')
      const read = readIcon(glyph)
      if (isFailed(read)) throw new Error(read.sentence)
      const wanted = pixelsOf(file.replace(/\s(?:width|height)="24"/g, ''), 96)
      expect(difference(drawn(read), wanted), name).toBeLessThan(0.012)
    }
  })

  it('keeps its code points in the set that it becomes', () => {
    const read = glyphsIn('lucide.ttf', ttf)
      .slice(0, 30)
      .map((glyph) => readIcon(glyph))
    const { set } = gatheredSet(read, { name: 'Lines' })!
    expect(set.icons.map(({ id, name }) => [name, set.delivery!.codes![id]])).toEqual(
      set.icons.map(({ name }) => [name, codes[name]]),
    )
    expect(set.rules.grid.size).toBe(24)
  })

  it('may be written as SVG, with the height of its lines and glyphs that are no code point', () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg"><defs><font horiz-adv-x="480"><font-face units-per-em="480" ascent="480" descent="0"/>
      <missing-glyph d="M0 0h10v10z"/><glyph glyph-name="bar" unicode="&#xe001;" d="M60 200H420V280H60Z"/><glyph unicode="wide" horiz-adv-x="960" d="M0 0H960V480H0Z"/><glyph unicode="x"/></font></defs></svg>`
    const [bar, wide, ...more] = glyphsIn('own.svg', new TextEncoder().encode(svg))
    expect(more).toEqual([])
    expect([nameOf(bar!), bar!.code, nameOf(wide!), wide!.code]).toEqual(['bar', 0xe001, 'wide', undefined])
    expect(readIcon(bar!)).toMatchObject({ side: 24, objects: [{ kind: 'rectangle', x: 3, y: 10, w: 18, h: 4 }] })
    expect(readIcon(wide!)).toMatchObject({ side: 24, objects: [{ x: 0, y: 6, w: 24, h: 12 }] })
  })

  it('that is broken, cut off, or in a form that is not read is said in a sentence', () => {
    for (const bytes of [ttf.subarray(0, 900), woff.subarray(0, 3000), Buffer.from('wOF2rubbish'), gzipSync('x')])
      expect(sourcesIn('font', bytes)).toEqual([
        { path: 'font', isError: true, sentence: expect.stringMatching(/^[A-Z].*\.$/) },
      ])
  })
})
