import { realSize } from '../../rules/real-size'
import { fileName, naming } from '../naming'
import { onOff, oneOf } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { resized } from '../composition'
import { coloursOf } from '../tone'
import { tabBarPreviews } from '../previews'
import { defineTarget } from '../target'

/** A catalogue's Contents.json. */
export const contents = (more: object): string =>
  `${JSON.stringify({ ...more, info: { author: 'wise-square', version: 1 } }, null, 2)}\n`

const SCALES = [1, 2, 3]
/** From how many characters on a name is not said twice in a path. */
const LONG = 60

/** Interface icons in an asset catalogue: pictures at three scales, or a page of vectors that stays one. */
export const apple = defineTarget({
  id: 'apple',
  name: 'Asset catalogue',
  platform: 'Apple',
  note: 'An image set an icon with its Contents.json, as PNG at 1×, 2× and 3× or as one PDF of vectors.',
  readBy: [{ reader: 'pdftocairo', compares: 'the page of vectors at 96 px, within 1 of 255' }],
  choices: {
    ...naming(),
    form: oneOf('form', 'png', { png: 'PNG at three scales', pdf: 'PDF of vectors' }),
    template: onOff('tinted by the system', true),
  },
  each(icon, { rules }, options) {
    const size = realSize(rules)
    const name = fileName(icon.name, options, size),
      folder = `apple/Icons.xcassets/${name}.imageset`,
      // Within the set its name need not be said again; where it is long, the path would become too long for some systems.
      inner = name.length > LONG ? 'icon' : name
    const rendering = options.template ? { 'template-rendering-intent': 'template' } : {}
    if (options.form === 'pdf')
      return [
        {
          path: `${folder}/Contents.json`,
          made: {
            as: 'fixed',
            text: contents({
              images: [{ filename: `${inner}.pdf`, idiom: 'universal' }],
              properties: { 'preserves-vector-representation': true, ...rendering },
            }),
          },
        },
        {
          path: `${folder}/${inner}.pdf`,
          made: { as: 'pdf', svg: (renderer) => resized(renderer.document(size, 'light'), size) },
        },
      ]
    const file = (scale: number) => `${inner}${scale === 1 ? '' : `@${scale}x`}.png`
    return [
      {
        path: `${folder}/Contents.json`,
        made: {
          as: 'fixed',
          text: contents({
            images: SCALES.map((scale) => ({ filename: file(scale), idiom: 'universal', scale: `${scale}x` })),
            ...(options.template && { properties: rendering }),
          }),
        },
      },
      ...SCALES.map((scale) => ({
        path: `${folder}/${file(scale)}`,
        made: {
          as: 'raster' as const,
          picture: { pixels: size * scale, svg: (renderer: IconRenderer) => renderer.document(size, 'light') },
        },
      })),
    ]
  },
  whole: () => [{ path: 'apple/Icons.xcassets/Contents.json', made: { as: 'fixed', text: contents({}) } }],
  faults(renderer, options) {
    const count = coloursOf(renderer.shapes(realSize(renderer.rules))).length
    return options.template && count > 1
      ? [
          {
            sentence: `paints in ${count} colours, of which the system makes one.`,
            isError: false,
            mend: { word: 'keep the colours', options: { template: false } },
          },
        ]
      : []
  },
  previews: (renderer) => tabBarPreviews(renderer),
})
