import { escaped, SVG } from '../../../core/formats/markup'
import { pathData } from '../../../core/formats/path-data'
import { readPathData } from '../../../core/formats/path-reader'
import { transformPath } from '../../../core/geometry/path'
import { identifier } from '../../../core/targets/naming'
import type { FontPlan } from '../../../core/targets/target'
import { fontOf, nameTable, tablesOf } from './sfnt'

const VERSION = '1.0'

/** Glyphs as a TrueType font, one em to a side; the same glyphs always give the same bytes. */
export async function ttf(plan: FontPlan): Promise<Uint8Array> {
  const { default: svg2ttf } = await import('svg2ttf')
  const { postScript, size, glyphs, ligatures } = plan
  const written = glyphs.map(({ name, code, d }) => {
    // A font counts upwards from its base line.
    const path = transformPath(readPathData(d), [1, 0, 0, -1, 0, size])
    const glyph = (unicode: string) =>
      `<glyph glyph-name="${glyphName(name)}" unicode="${unicode}" horiz-adv-x="${size}" d="${pathData(path, 1)}"/>`
    return glyph(`&#${code};`) + (ligatures && [...name].length > 1 ? glyph(escaped(name)) : '')
  })
  const svg = `<?xml version="1.0"?><svg xmlns="${SVG}"><defs><font id="font" horiz-adv-x="${size}"><font-face font-family="${postScript}" units-per-em="${size}" ascent="${size}" descent="0"/><missing-glyph horiz-adv-x="${size}"/>${written.join('')}</font></defs></svg>`
  return withNames(
    new Uint8Array(svg2ttf(svg, { ts: 0, version: VERSION, description: postScript, url: '' }).buffer),
    plan,
  )
}

/** A name as fonts have it: its own where that is of ASCII’s letters, digits, points and hyphens. */
const glyphName = (name: string): string => (/^[A-Za-z_][\w.-]{0,62}$/.test(name) ? name : identifier(name, 'snake'))

/** A font with names of its own in place of those of the package that makes it. */
function withNames(font: Uint8Array, { family, postScript }: FontPlan): Uint8Array {
  const tables = tablesOf(font)
  tables.set(
    'name',
    nameTable({
      1: family,
      2: 'Regular',
      3: `${VERSION};${postScript}`,
      4: `${family} Regular`,
      5: `Version ${VERSION}`,
      6: postScript,
    }),
  )
  tables.set('post', trimmedPost(tables.get('post')!))
  // The vendor’s four letters (OS/2, achVendID): none is registered.
  const os2 = tables.get('OS/2')!
  os2.fill(0x20, 58, 62)
  return fontOf(tables)
}

/** A table of glyph names (post, version 2) without what follows the last of them. */
function trimmedPost(post: Uint8Array): Uint8Array {
  const view = new DataView(post.buffer, post.byteOffset, post.byteLength)
  const count = view.getUint16(32)
  const own = Array.from({ length: count }, (_, i) => view.getUint16(34 + 2 * i)).filter((index) => index >= 258).length
  let end = 34 + 2 * count
  for (let i = 0; i < own; i++) end += 1 + post[end]!
  return post.slice(0, end)
}
