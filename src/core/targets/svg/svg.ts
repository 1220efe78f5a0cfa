import { basesOf } from '../../rules/rules-for-grid'
import { fileName, naming } from '../naming'
import { onOff, oneOf } from '../options'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { weightsAsFills } from '../../drawing/evaluate/strokes-as-fills'
import { timed } from '../../geometry/deadline'
import { drawingOn } from '../../set/masters'
import type { IconRenderer, Strokes } from '../icon-renderer'
import { barPreviews } from '../previews'
import { defineTarget } from '../target'

/** How strokes come, as a choice. */
export const STROKES = oneOf('strokes', 'rules', {
  rules: 'as the set has them',
  kept: 'kept',
  outlined: 'outlined',
})

/** The renderer's setting for that choice. */
export const strokesOf = (value: string): Strokes | undefined => (value === 'rules' ? undefined : (value as Strokes))

/** `svg/NAME.svg` for each icon, and `svg/BASE/NAME.svg` for each further grid it is drawn on. */
export const svg = defineTarget({
  id: 'svg',
  name: 'SVG files',
  platform: 'Plain files',
  note: 'One file per icon: one viewBox, ink as currentColor, numbers as short as they can be. Each further master in a folder of its own.',
  readBy: [
    { reader: 'xmllint', compares: 'well formed', spec: 'src/server/delivery/read-back.test.ts' },
    {
      reader: 'rsvg-convert',
      compares: 'the picture at 96 px, within 1.5 of 255',
      spec: 'src/server/delivery/read-back.test.ts',
    },
    {
      reader: 'this program’s own reader',
      compares: 'the set as it was',
      spec: 'src/server/delivery/read-back.test.ts',
    },
  ],
  choices: {
    ...naming(),
    strokes: STROKES,
    masters: onOff('further masters', true),
    compact: onOff('as short as can be', false),
  },
  each: (icon, { rules }, options) =>
    basesOf(rules)
      .filter((base) => options.masters || base === rules.grid.size)
      .map((base) => ({
        path: `svg/${base === rules.grid.size ? '' : `${base}/`}${fileName(icon.name, options, base)}.svg`,
        made: {
          as: 'text',
          text: (renderer) =>
            options.compact
              ? renderer.compactDocument(base, 'current', strokesOf(options.strokes))
              : renderer.document(base, 'current', strokesOf(options.strokes)),
        },
      })),
  problems: (renderer, options) => strokesAsFills(renderer, strokesOf(options.strokes)),
  previews: (renderer) => barPreviews(renderer),
})

/** A warning for objects whose strokes come as filled outlines while other strokes of the icon are kept. */
function strokesAsFills(renderer: IconRenderer, strokes = renderer.rules.strokes ?? 'kept') {
  const { objects, rules } = drawingOn(renderer.icon, renderer.rules, renderer.rules.grid.size),
    scene = sceneOf(rules)
  if (strokes === 'outlined' || renderer.shapes(rules.grid.size).every(({ stroke }) => stroke === null)) return []
  return timed(() =>
    objects.flatMap((object) => {
      const weights = object.hidden ? [] : weightsAsFills(object, scene)
      return weights.length === 0
        ? []
        : [
            {
              sentence: `has ${object.name} (weight ${weights.join(', ')}) as a filled outline among strokes: a stroke width set in code does not reach it.`,
              isError: false,
            },
          ]
    }),
  )
}
