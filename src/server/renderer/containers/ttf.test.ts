import { readFileSync } from 'node:fs'
import opentype from 'opentype.js'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../../../core/formats/set-file'
import { transformPath } from '../../../core/geometry/path'
import { pathData } from '../../../core/formats/path-data'
import { readPathData } from '../../../core/formats/path-reader'
import { pictureOf } from '../../../core/picture/picture'
import { picturePixels } from '../../../core/picture/pixels'
import { IconRenderer } from '../../../core/targets/icon-renderer'
import type { FontPlan } from '../../../core/targets/target'
import { ttf } from './ttf'

const { icons, rules } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const SIZE = 1200
const glyphs = icons.map((icon, i) => {
  const emblem = new IconRenderer(icon, rules, null).emblem(rules.grid.size)
  const d = pathData(transformPath(emblem, [SIZE / rules.grid.size, 0, 0, SIZE / rules.grid.size, 0, 0]), 1)
  // Some in a plane beyond the basic one.
  return { name: icon.name, code: i % 5 === 0 ? 0x1f6a2 + i : 0xe001 + i, d }
})
const plan: FontPlan = { family: 'Kai', postScript: 'Kai-Regular', ligatures: true, size: SIZE, glyphs }
const ink = { name: '', light: '#000000', dark: '#000000', ink: false, opacity: 1 }
const pixelsOf = (d: string) =>
  picturePixels(pictureOf([{ id: 'glyph', path: readPathData(d), fill: ink, stroke: null }], SIZE, 'light'), 48).data

describe('a TrueType font', () => {
  it('has every icon under its code point, drawn to half a unit, and the same bytes each time', async () => {
    const bytes = await ttf(plan)
    expect(await ttf(plan)).toEqual(bytes)
    const font = opentype.parse(bytes.slice().buffer)
    expect([font.unitsPerEm, font.ascender, font.names.fontFamily!.en]).toEqual([SIZE, SIZE, 'Kai'])
    for (const { name, code, d } of glyphs) {
      const glyph = font.charToGlyph(String.fromCodePoint(code))
      expect([glyph.name, glyph.advanceWidth]).toEqual([name, SIZE])
      const read = pixelsOf(glyph.getPath(0, SIZE, SIZE).toPathData(3)),
        own = pixelsOf(d)
      // Half a unit is a fiftieth of these pixels.
      expect(
        read.reduce((most, value, i) => Math.max(most, Math.abs(value - own[i]!)), 0),
        name,
      ).toBeLessThan(13)
    }
    expect(font.charToGlyph('\u{F0000}').name).toBe('.notdef')
  })

  it('turns a typed name into its icon, and the longer of two names that begin alike', async () => {
    const [first, second] = glyphs
    const alike = {
      ...plan,
      glyphs: [
        { ...first!, name: 'sea' },
        { ...second!, name: 'seagull' },
      ],
    }
    const font = opentype.parse((await ttf(alike)).slice().buffer)
    const typed = (text: string) => font.stringToGlyphs(text).map(({ name }) => name)
    expect([typed('sea'), typed('seagull')]).toEqual([['sea'], ['seagull']])
    expect(opentype.parse((await ttf({ ...alike, ligatures: false })).slice().buffer).tables.gsub).toBeUndefined()
  })
})
