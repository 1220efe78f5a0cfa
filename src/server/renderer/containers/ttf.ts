import { readPathData } from '../../../core/formats/path-reader'
import { transformPath } from '../../../core/geometry/path'
import { identifier } from '../../../core/targets/naming'
import type { FontPlan } from '../../../core/targets/target'
import { fontOf, nameTable } from './sfnt'
import { Bytes } from './truetype/bytes'
import { cmapTable } from './truetype/cmap'
import { type Glyph, glyphOf } from './truetype/glyph'
import { ligatureTable } from './truetype/ligatures'

const VERSION = '1.0'

/** The beginning of 1970 in seconds from that of 1904: fonts of the same glyphs have the same bytes at any time. */
const DATE = 2_082_844_800

/** A glyph with its name and advance width, in units of the font. */
type Entry = { readonly name: string; readonly glyph: Glyph; readonly advance: number; readonly code: number | null }

/** Glyphs as a TrueType font (OpenType 1.9), one em to a side; the same glyphs always give the same bytes. */
export async function ttf(plan: FontPlan): Promise<Uint8Array> {
  const { family, postScript, size, glyphs } = plan
  const icons = glyphs.map(({ name, code, d }): Entry => ({
    name: glyphName(name),
    code,
    advance: size,
    // A font counts upwards from its base line.
    glyph: glyphOf(transformPath(readPathData(d), [1, 0, 0, -1, 0, size])),
  }))
  const empty = glyphOf([])
  const letters = plan.ligatures ? lettersOf(plan) : []
  const entries: Entry[] = [
    { name: '.notdef', code: null, advance: size, glyph: empty },
    ...icons,
    ...letters.map((letter) => ({ name: letterName(letter), code: letter.codePointAt(0)!, advance: 0, glyph: empty })),
  ]
  const mappings = entries.flatMap(({ code }, glyph) => (code === null ? [] : [{ code, glyph }]))
  const places = new Map(letters.map((letter, i) => [letter, 1 + icons.length + i]))
  const ligatures = plan.ligatures
    ? glyphs.flatMap(({ name }, i) => {
        const parts = [...name].map((letter) => places.get(letter)!)
        return parts.length > 1 ? [{ parts, glyph: 1 + i }] : []
      })
    : []
  const { glyf, loca } = outlines(entries)
  const names = {
    1: family,
    2: 'Regular',
    3: `${VERSION};${postScript}`,
    4: `${family} Regular`,
    5: `Version ${VERSION}`,
    6: postScript,
  }
  const longest = ligatures.reduce((most, { parts }) => Math.max(most, parts.length), 1)
  return fontOf(
    new Map([
      ['head', head(entries, size).done()],
      ['hhea', hhea(entries, size).done()],
      ['maxp', maxp(entries).done()],
      ['OS/2', os2(entries, size, longest).done()],
      ['hmtx', new Bytes().u16(...entries.flatMap(({ advance, glyph }) => [advance, glyph.box[0]])).done()],
      ['cmap', cmapTable(mappings).done()],
      ['loca', loca.done()],
      ['glyf', glyf.done()],
      ['name', nameTable(names)],
      ['post', post(entries).done()],
      ...(ligatures.length > 0 ? [['GSUB', ligatureTable(ligatures).done()] as const] : []),
    ]),
  )
}

/** A name as fonts have it: its own where that is of ASCII’s letters, digits, points and hyphens. */
const glyphName = (name: string): string => (/^[A-Za-z_][\w.-]{0,62}$/.test(name) ? name : identifier(name, 'snake'))

/** The name of a letter’s glyph: “u” and its code point in hexadecimal digits, at least four. */
const letterName = (letter: string): string => `u${letter.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`

/** The letters that names are typed with. */
function lettersOf({ glyphs }: FontPlan): string[] {
  return [...new Set(glyphs.flatMap(({ name }) => [...name]))].sort()
}

/** The outlines of glyphs one after the other, and where each begins, in four bytes (“glyf”, “loca”). */
function outlines(entries: readonly Entry[]): { glyf: Bytes; loca: Bytes } {
  const glyf = new Bytes(),
    loca = new Bytes().u32(0)
  for (const { glyph } of entries) loca.u32(glyf.add(glyph.entry).length)
  return { glyf, loca }
}

/** The box of all glyphs that have an outline. */
function boxOf(entries: readonly Entry[]): readonly [number, number, number, number] {
  const boxes = entries.flatMap(({ glyph }) => (glyph.contours.length > 0 ? [glyph.box] : []))
  if (boxes.length === 0) return [0, 0, 0, 0]
  return boxes.reduce<readonly [number, number, number, number]>(
    ([a, b, c, d], [x, y, right, top]) => [Math.min(a, x), Math.min(b, y), Math.max(c, right), Math.max(d, top)],
    [Infinity, Infinity, -Infinity, -Infinity],
  )
}

const FIXED_ONE = 0x10000

function head(entries: readonly Entry[], size: number): Bytes {
  // Base line at 0, left side bearing at 0, whole pixels.
  const flags = 0b1011
  return new Bytes()
    .u32(FIXED_ONE, FIXED_ONE, 0, 0x5f0f3cf5)
    .u16(flags, size)
    .u32(0, DATE, 0, DATE)
    .u16(...boxOf(entries))
    .u16(0, 8, 2, 1, 0)
}

function hhea(entries: readonly Entry[], size: number): Bytes {
  const outlined = entries.filter(({ glyph }) => glyph.contours.length > 0)
  const least = (of: (entry: Entry) => number) => outlined.reduce((sum, one) => Math.min(sum, of(one)), size)
  const [, , right] = boxOf(entries)
  return new Bytes()
    .u32(FIXED_ONE)
    .u16(size, 0, 0, size)
    .u16(
      least(({ glyph }) => glyph.box[0]),
      least(({ advance, glyph }) => advance - glyph.box[2]),
      right,
    )
    .u16(1, 0, 0, 0, 0, 0, 0, 0, entries.length)
}

function maxp(entries: readonly Entry[]): Bytes {
  const most = (of: (glyph: Glyph) => number) => entries.reduce((sum, { glyph }) => Math.max(sum, of(glyph)), 0)
  return new Bytes()
    .u32(FIXED_ONE)
    .u16(
      entries.length,
      most(({ contours }) => contours.flat().length),
      most(({ contours }) => contours.length),
    )
    .u16(0, 0, 2, 0, 0, 0, 0, 0, 0, 0, 0)
}

/** Metrics for Windows (“OS/2”, version 4). No vendor is registered: four spaces. */
function os2(entries: readonly Entry[], size: number, longest: number): Bytes {
  const part = (share: number) => Math.round(share * size)
  const codes = entries.flatMap(({ code }) => (code === null ? [] : [Math.min(code, 0xffff)]))
  const [, low, , high] = boxOf(entries)
  const gap = part(0.09)
  return new Bytes()
    .u16(4, size, 400, 5, 0)
    .u16(part(0.634), part(0.7), 0, part(0.14), part(0.634), part(0.7), 0, part(0.48), part(0.048), part(0.258), 0)
    .u8(2, 0, 5, 3, 0, 0, 0, 0, 0, 0)
    .u32(0, 0, 0, 0)
    .tag('    ')
    .u16(
      0b11000000,
      codes.reduce((a, b) => Math.min(a, b), 0xffff),
      codes.reduce((a, b) => Math.max(a, b), 0),
    )
    .u16(size, 0, gap, Math.max(high, size + gap), -Math.min(low, 0))
    .u32(1, 0)
    .u16(0, 0, 0, 0, Math.max(2, longest))
}

/** The names of glyphs (“post”, version 2): “.notdef” is the first of the standard order, all others are own names. */
function post(entries: readonly Entry[]): Bytes {
  const STANDARD = 258
  const table = new Bytes()
    .u32(0x20000, 0)
    .u16(0, 0)
    .u32(0, 0, 0, 0, 0)
    .u16(entries.length, ...entries.map((_, i) => (i === 0 ? 0 : STANDARD + i - 1)))
  for (const { name } of entries.slice(1)) table.u8(name.length, ...[...name].map((sign) => sign.charCodeAt(0)))
  return table
}
