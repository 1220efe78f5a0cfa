import { realSize } from '../../rules/real-size'
import { contents } from '../apple/apple'
import { fileName, naming } from '../naming'
import { tabBarPreviews } from '../previews'
import { defineTarget } from '../target'
import { coloursOf } from '../tone'
import { symbolTemplate } from './template'

/** Interface icons as symbols, which stand in text as its letters do: one shape each, with its margins. */
export const appleSymbols = defineTarget({
  id: 'apple-symbols',
  name: 'Symbols',
  platform: 'Apple',
  note: 'A symbol set an icon with the SVG template that the system reads: its shape as the regular small variant, with margins.',
  readBy: [
    {
      reader: 'a reader of the template',
      compares: 'the shape between its margins, as the proof shows it in one colour',
      spec: 'src/core/targets/apple-symbols/apple-symbols.test.ts',
    },
  ],
  choices: { ...naming() },
  each(icon, { rules }, options) {
    const name = fileName(icon.name, options, realSize(rules)),
      folder = `apple/Symbols.xcassets/${name}.symbolset`
    return [
      {
        path: `${folder}/Contents.json`,
        made: {
          as: 'fixed',
          text: contents({
            symbols: [
              {
                filename: 'symbol.svg',
                idiom: 'universal',
                ...(icon.rtl === 'mirrored' && { 'language-direction': 'left-to-right' }),
              },
            ],
          }),
        },
      },
      {
        path: `${folder}/symbol.svg`,
        made: {
          as: 'text',
          text: (renderer) => symbolTemplate(renderer.emblem(rules.grid.size), rules.grid.size),
        },
      },
    ]
  },
  whole: () => [{ path: 'apple/Symbols.xcassets/Contents.json', made: { as: 'fixed', text: contents({}) } }],
  problems(renderer) {
    const { plate, figure } = renderer.layers(renderer.rules.grid.size)
    const count = coloursOf(plate.length > 0 ? plate : figure).length
    return count > 1 ? [{ sentence: `paints in ${count} colours, of which a symbol has one.`, isError: false }] : []
  },
  previews: (renderer) => tabBarPreviews(renderer),
})
