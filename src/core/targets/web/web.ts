import { type Element, element, markupOf, SVG } from '../../formats/markup'
import { cased, fileName, naming } from '../naming'
import { onOff } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { standsFor } from '../../set/direction'
import { STROKES, strokesOf } from '../svg/svg'
import { opened } from '../composition'
import { textPreviews } from '../previews'
import { defineTarget } from '../target'
import { className, cssClass, cssString } from './css'
import { usagePage } from './usage-page'
import { dataUri } from '../../formats/data-uri'

/** An icon as a symbol of a sprite. */
function symbol(id: string, svg: Element): string {
  const { root, viewBox, inside } = opened(svg)
  return element('symbol', { id, viewBox, ...root }, markupOf(inside))
}

/** For pages: SVG files, a sprite of symbols with a page that shows how to use it, masks in CSS, data URIs. */
export const web = defineTarget({
  id: 'web',
  name: 'Pages',
  platform: 'Web',
  note: 'An SVG an icon, a sprite of symbols with a page on how to use it, CSS masks that take the text’s colour, data URIs.',
  readBy: [
    {
      reader: 'Chromium',
      compares: 'sprite, masks and data URIs as the proof shows them; masks in forced colours',
      spec: 'e2e/targets.spec.ts',
    },
    { reader: 'xmllint', compares: 'well formed', spec: 'src/server/delivery/read-back.test.ts' },
  ],
  choices: {
    ...naming('kebab'),
    strokes: STROKES,
    files: onOff('SVG files', true),
    sprite: onOff('sprite and its page', true),
    masks: onOff('CSS masks', true),
    uris: onOff('data URIs', true),
  },
  called: ({ name }, options, { rules }) => (options.files ? null : fileName(name, options, rules.grid.size)),
  each: (icon, { rules }, options) =>
    options.files
      ? [
          {
            path: `web/icons/${fileName(icon.name, options, rules.grid.size)}.svg`,
            made: {
              as: 'text',
              text: (renderer) => renderer.compactDocument(rules.grid.size, 'current', strokesOf(options.strokes)),
            },
          },
        ]
      : [],
  whole({ name, icons, rules }, options) {
    const size = rules.grid.size
    const names = icons.map((icon) => fileName(icon.name, options, size))
    const own = (renderer: IconRenderer) => fileName(renderer.icon.name, options, size)
    // One function for both files, so that each piece is computed once.
    const piece = (renderer: IconRenderer) =>
      symbol(own(renderer), renderer.compact(size, 'current', strokesOf(options.strokes)))
    const prefix = className(cased(name, 'kebab'))
    return [
      ...(options.sprite
        ? [
            {
              path: 'web/sprite.svg',
              made: {
                as: 'joined' as const,
                piece,
                join: (pieces: readonly string[]) => `${element('svg', { xmlns: SVG }, `\n${pieces.join('\n')}\n`)}\n`,
              },
            },
            {
              path: 'web/index.html',
              made: {
                as: 'joined' as const,
                piece,
                join: (pieces: readonly string[]) => usagePage(name, names, pieces, size),
              },
            },
          ]
        : []),
      ...(options.masks
        ? [
            {
              path: 'web/masks.css',
              made: {
                as: 'joined' as const,
                piece: (renderer: IconRenderer) => {
                  const ruleFor = (name: string) => `.${cssClass(`${prefix}-${fileName(name, options, size)}`)}`,
                    image = `{--icon:url("${dataUri(renderer.compactDocument(size, 'light', strokesOf(options.strokes)))}")}`
                  return [
                    `${ruleFor(renderer.icon.name)}${image}`,
                    ...(renderer.icon.rtl === 'mirrored'
                      ? [`${ruleFor(renderer.icon.name)}:dir(rtl){scale:-1 1}`]
                      : []),
                    ...standsFor(renderer.icon, icons).map((other) => `${ruleFor(other.name)}:dir(rtl)${image}`),
                  ].join('\n')
                },
                join: (pieces: readonly string[]) =>
                  `[class^=${cssString(`${prefix}-`)}],[class*=${cssString(` ${prefix}-`)}]{display:inline-block;width:1em;height:1em;background:currentColor;-webkit-mask:var(--icon) center/contain no-repeat;mask:var(--icon) center/contain no-repeat}
@media (forced-colors:active){[class^=${cssString(`${prefix}-`)}],[class*=${cssString(` ${prefix}-`)}]{forced-color-adjust:none;background:CanvasText}a [class^=${cssString(`${prefix}-`)}],a [class*=${cssString(` ${prefix}-`)}]{background:LinkText}button [class^=${cssString(`${prefix}-`)}],button [class*=${cssString(` ${prefix}-`)}]{background:ButtonText}}
${pieces.join('\n')}
`,
              },
            },
          ]
        : []),
      ...(options.uris
        ? [
            {
              path: 'web/data-uris.json',
              made: {
                as: 'joined' as const,
                piece: (renderer: IconRenderer) =>
                  `  ${JSON.stringify(own(renderer))}: ${JSON.stringify(dataUri(renderer.compactDocument(size, 'light', strokesOf(options.strokes))))}`,
                join: (pieces: readonly string[]) => `{\n${pieces.join(',\n')}\n}\n`,
              },
            },
          ]
        : []),
    ]
  },
  previews: (renderer) => textPreviews(renderer),
})
