import { escaped, SVG } from '../../../core/formats/markup'
import { pathData } from '../../../core/formats/path-data'
import { readPathData } from '../../../core/formats/path-reader'
import { transformPath } from '../../../core/geometry/path'
import type { FontPlan } from '../../../core/targets/target'

/** Glyphs as a TrueType font, one em to a side; the same glyphs always give the same bytes. */
export async function ttf({ family, size, glyphs }: FontPlan): Promise<Uint8Array> {
  const { default: svg2ttf } = await import('svg2ttf')
  const written = glyphs.map(({ name, code, d }) => {
    // A font counts upwards from its base line.
    const path = transformPath(readPathData(d), [1, 0, 0, -1, 0, size])
    return `<glyph glyph-name="${escaped(name)}" unicode="&#${code};" horiz-adv-x="${size}" d="${pathData(path, 1)}"/>`
  })
  const svg = `<?xml version="1.0"?><svg xmlns="${SVG}"><defs><font id="font" horiz-adv-x="${size}"><font-face font-family="${escaped(family)}" units-per-em="${size}" ascent="${size}" descent="0"/><missing-glyph horiz-adv-x="${size}"/>${written.join('')}</font></defs></svg>`
  return new Uint8Array(svg2ttf(svg, { ts: 0, version: '1.0', description: family, url: '' }).buffer)
}
