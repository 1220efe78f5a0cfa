import { pathData } from '../../formats/path-data'
import { transformPath } from '../../geometry/path'
import { className, cssClass, cssString } from '../web/css'
import { cased, identifier } from '../naming'
import { onOff, text } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { coloursOf } from '../tone'
import { textPreviews } from '../previews'
import { defineTarget } from '../target'
import { escaped } from '../../formats/markup'
import { codesOf } from './codes'

/** The units of a font to the side of an icon. */
const UNITS = 1200

/** An icon as one filled shape in units of the font, y down. */
function glyph(renderer: IconRenderer): string {
  const size = renderer.rules.grid.size,
    scale = UNITS / size
  return pathData(transformPath(renderer.emblem(size), [scale, 0, 0, scale, 0, 0]), 1)
}

/** An icon font with its style sheet: every icon one shape, in the colour of the text around. */
export const font = defineTarget({
  id: 'font',
  name: 'Icon font',
  platform: 'Developers',
  note: 'WOFF2 and TTF with a style sheet and a page; code points stay what they are from release to release.',
  readBy: [
    {
      reader: 'fontTools',
      compares: 'every table, no warning; glyphs under their code points, as large as drawn',
      spec: 'src/server/delivery/read-back.test.ts',
    },
    {
      reader: 'Chromium',
      compares: 'glyphs as the proof shows them; two sets on one page; ligatures',
      spec: 'e2e/targets.spec.ts',
    },
  ],
  choices: {
    family: text('family', '', 'Other', (value) =>
      /["'\\{}<>]/.test(value) || value.length > 60 ? 'A family has no quotes or braces in its name.' : null,
    ),
    prefix: text('prefix', '', 'other', (value) =>
      /^([a-z][a-z0-9-]*)?$/.test(value) ? null : 'A prefix is of lower-case letters, digits and hyphens.',
    ),
    ligatures: onOff('names become icons (ligatures)', false),
  },
  called: ({ name }) => cased(name, 'kebab'),
  whole(family, { family: chosen, prefix: own, ligatures }) {
    const named = (chosen || family.name).replace(/["'\\{}<>]/g, '').trim() || 'Icons',
      file = cased(named, 'kebab'),
      // By the set, so that the fonts of two sets can be on one page.
      prefix = own || className(`icon-${file}`),
      codes = codesOf(family),
      folder = 'developers/font'
    const glyphs = family.icons.map(({ id, name }) => ({ name: cased(name, 'kebab'), code: codes.get(id)! }))
    const join = (pieces: readonly string[]) => ({
      family: named,
      postScript: `${identifier(named, 'pascal').slice(0, 55)}-Regular`,
      ligatures,
      size: UNITS,
      glyphs: glyphs.map((one, i) => ({ ...one, d: pieces[i]! })),
    })
    const fixed = (name: string, made: string) => ({
      path: `${folder}/${name}`,
      made: { as: 'fixed' as const, text: made },
    })
    const hex = (code: number) => code.toString(16)
    return [
      { path: `${folder}/${file}.woff2`, made: { as: 'font', format: 'woff2', piece: glyph, join } },
      { path: `${folder}/${file}.ttf`, made: { as: 'font', format: 'ttf', piece: glyph, join } },
      fixed(
        `${file}.css`,
        `@font-face{font-family:${cssString(named)};src:url(${cssString(`${file}.woff2`)}) format("woff2"),url(${cssString(`${file}.ttf`)}) format("truetype");font-display:block}
.${cssClass(prefix)}{font-family:${cssString(named)};font-style:normal;font-weight:normal;line-height:1;display:inline-block;-webkit-font-smoothing:antialiased}
${glyphs.map(({ name, code }) => `.${cssClass(`${prefix}-${name}`)}::before{content:"\\${hex(code)}"}`).join('\n')}
`,
      ),
      fixed(
        'code-points.json',
        `${JSON.stringify(Object.fromEntries(glyphs.map(({ name, code }) => [name, hex(code)])), null, 2)}\n`,
      ),
      fixed(
        'index.html',
        `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>${escaped(named)}</title>
<link rel="stylesheet" href="${escaped(encodeURI(`${file}.css`))}">
<style>body{font:14px/1.5 system-ui,sans-serif;margin:32px}p{display:inline-grid;justify-items:center;width:120px}i{font-size:${family.rules.grid.size}px}</style>
<h1>${escaped(named)}</h1>
${glyphs.map(({ name, code }) => `<p><i class="${escaped(prefix)} ${escaped(className(`${prefix}-${name}`))}" aria-hidden="true"></i><code>${escaped(name)} ${hex(code)}</code></p>`).join('\n')}
</html>
`,
      ),
    ]
  },
  problems(renderer) {
    const count = coloursOf(renderer.shapes(renderer.rules.grid.size)).length
    return count > 1 ? [{ sentence: `paints in ${count} colours; a glyph has one.`, isError: false }] : []
  },
  previews: (renderer) => textPreviews(renderer),
})
