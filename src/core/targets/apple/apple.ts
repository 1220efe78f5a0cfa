import type { Problem } from '../../findings/problem'
import { hasShadow } from '../../drawing/scene/shape'
import { realSize } from '../../rules/real-size'
import { fileName, naming } from '../naming'
import { onOff, oneOf } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { type Picture, resized } from '../../picture/picture'
import { svgOfPicture } from '../../picture/svg'
import { rightToLeft, standsFor } from '../../set/direction'
import { coloursOf } from '../tone'
import { swiftSource } from './swift'
import { tabBarPreviews } from '../previews'
import { defineTarget, type MadeOfIcon, type Named } from '../target'

/** A catalogue's Contents.json. */
export const contents = (more: object): string =>
  `${JSON.stringify({ ...more, info: { author: 'wise-square', version: 1 } }, null, 2)}\n`

type Ground = 'light' | 'dark'

/** An image set of one file of vectors, which stays one. */
const vectors = (
  ending: string,
  made: (of: (renderer: IconRenderer) => Picture) => Extract<MadeOfIcon, { as: 'pdf' | 'text' }>,
) => ({
  isVector: true,
  files: [
    {
      ending,
      scale: null,
      made: (size: number, ground: Ground) => made((renderer) => resized(renderer.picture(size, ground), size)),
    },
  ],
})

/** Forms of an image set: its files by the ends of their names, at which scale each is, and how it is made. */
const FORMS = {
  png: {
    isVector: false,
    files: [1, 2, 3].map((scale) => ({
      ending: `${scale === 1 ? '' : `@${scale}x`}.png`,
      scale: `${scale}x`,
      made: (size: number, ground: Ground) => ({
        as: 'raster' as const,
        picture: { pixels: size * scale, of: (renderer: IconRenderer) => renderer.picture(size, ground) },
      }),
    })),
  },
  pdf: vectors('.pdf', (of) => ({ as: 'pdf', of })),
  svg: vectors('.svg', (of) => ({ as: 'text', text: (renderer) => svgOfPicture(of(renderer)) })),
}
/** From how many characters on a name is not said twice in a path. */
const LONG = 60

/** Interface icons in an asset catalogue: pictures at three scales, or a page of vectors that stays one. */
export const apple = defineTarget({
  id: 'apple',
  name: 'Asset catalogue',
  platform: 'Apple',
  note: 'An image set an icon with its Contents.json, as PNG at 1×, 2× and 3× or as one PDF or SVG of vectors, for dark where its colours are kept, with its direction; the names as Swift source where they are wanted.',
  readBy: [
    {
      reader: 'pdftocairo',
      compares: 'the page of vectors at 96 px, within 1 of 255',
      spec: 'src/server/delivery/read-back.test.ts',
    },
  ],
  choices: {
    ...naming(),
    form: oneOf('form', 'png', { png: 'PNG at three scales', pdf: 'PDF of vectors', svg: 'SVG of vectors' }),
    template: onOff('tinted by the system', true),
    dark: onOff('pictures for dark, where it is not tinted', false),
    swift: onOff('names as Swift source', false),
  },
  each(icon, { rules, icons }, options) {
    const size = realSize(rules)
    const setOf = (one: Pick<Named, 'name'>) => {
      const name = fileName(one.name, options, size)
      // Within the set its name need not be said again; where it is long, the path would become too long for some systems.
      return { folder: `apple/Icons.xcassets/${name}.imageset`, inner: name.length > LONG ? 'icon' : name }
    }
    const form = FORMS[options.form as keyof typeof FORMS],
      grounds = options.dark && !options.template ? (['light', 'dark'] as const) : (['light'] as const)
    const suffix = (ground: 'light' | 'dark', isTurned: boolean) =>
      `${ground === 'dark' ? '-dark' : ''}${isTurned ? '-rtl' : ''}`
    const pictures = (one: Pick<Named, 'name'>, isTurned: boolean) => {
      const { folder, inner } = setOf(one)
      return grounds.flatMap((ground) =>
        form.files.map(({ ending, made }) => ({
          path: `${folder}/${inner}${suffix(ground, isTurned)}${ending}`,
          made: made(size, ground),
        })),
      )
    }
    const { folder, inner } = setOf(icon)
    const hasTurned = rightToLeft(icon, icons).icon !== icon
    const directions = hasTurned ? [false, true] : [false]
    const images = directions.flatMap((isTurned) =>
      grounds.flatMap((ground) =>
        form.files.map(({ ending, scale }) => ({
          filename: `${inner}${suffix(ground, isTurned)}${ending}`,
          idiom: 'universal',
          ...(scale && { scale }),
          ...(ground === 'dark' && { appearances: [{ appearance: 'luminosity', value: 'dark' }] }),
          ...(isTurned
            ? { 'language-direction': 'right-to-left' }
            : (hasTurned || icon.rtl === 'mirrored') && { 'language-direction': 'left-to-right' }),
        })),
      ),
    )
    const properties = {
      ...(form.isVector && { 'preserves-vector-representation': true }),
      ...(options.template && { 'template-rendering-intent': 'template' }),
    }
    return [
      {
        path: `${folder}/Contents.json`,
        made: {
          as: 'fixed',
          text: contents({ images, ...(Object.keys(properties).length > 0 && { properties }) }),
        },
      },
      ...pictures(icon, false),
      ...standsFor(icon, icons).flatMap((other) => pictures(other, true)),
    ]
  },
  whole: ({ name, icons, rules }, options) => [
    { path: 'apple/Icons.xcassets/Contents.json', made: { as: 'fixed', text: contents({}) } },
    ...(options.swift
      ? [
          {
            path: 'apple/Icons.swift',
            made: {
              as: 'fixed' as const,
              text: swiftSource(
                name,
                icons.map((icon) => [icon.name, fileName(icon.name, options, realSize(rules))] as const),
              ),
            },
          },
        ]
      : []),
  ],
  problems(renderer, options): Problem[] {
    const shapes = renderer.shapes(realSize(renderer.rules)),
      count = coloursOf(shapes).length
    return [
      ...(options.template && count > 1
        ? [
            {
              sentence: `paints in ${count} colours, of which the system makes one.`,
              isError: false,
              mend: { word: 'keep the colours', target: 'apple', options: { template: false } },
            },
          ]
        : []),
      ...(options.form === 'pdf' && shapes.some(hasShadow)
        ? [
            {
              sentence: 'has a soft shadow, which a PDF cannot blur and leaves out.',
              isError: false,
              mend: { word: 'deliver PNG', target: 'apple', options: { form: 'png' } },
            },
          ]
        : []),
    ]
  },
  previews: (renderer) => tabBarPreviews(renderer),
})
