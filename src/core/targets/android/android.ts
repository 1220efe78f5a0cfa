import type { Problem } from '../../findings/problem'
import { realSize } from '../../rules/real-size'
import { cased, patterned } from '../naming'
import { onOff, oneOf, text } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { standsFor } from '../../set/direction'
import { inMirror, type Picture } from '../../picture/picture'
import { coloursOf } from '../tone'
import { barPreviews } from '../previews'
import { defineTarget } from '../target'
import { leftOut, vectorDrawable } from './vector'

/** The densities of the platform by their folders, and how many pixels a density-independent one is. */
export const DENSITIES = { mdpi: 1, hdpi: 1.5, xhdpi: 2, xxhdpi: 3, xxxhdpi: 4 }

/** Where the colour of a tinted icon comes from: the platform has it since version 21; apps with the library have theirs. */
const TINTS = { framework: '?android:attr/colorControlNormal', library: '?attr/colorControlNormal' }

/** Words of Java, which no resource may be named. */
const TAKEN = new Set(
  (
    'abstract assert boolean break byte case catch char class const continue default do double else enum extends ' +
    'final finally float for goto if implements import instanceof int interface long native new package private ' +
    'protected public return short static strictfp super switch synchronized this throw throws transient try void ' +
    'volatile while true false null'
  ).split(' '),
)

/** The name of a resource: lower-case letters, digits and underscores. */
export const resourceName = (pattern: string, name: string): string =>
  patterned(pattern, cased(name, 'snake'), 0)
    .toLowerCase()
    .replace(/[^a-z0-9_]/g, '_')

const patternFault = (pattern: string) =>
  !pattern.includes('*')
    ? 'A pattern has a * for the name.'
    : /^[a-z0-9_]*\*[a-z0-9_]*$/.test(pattern)
      ? null
      : 'Resources are named in lower-case letters, digits and underscores.'

/** Interface icons as resources of an app. */
export const android = defineTarget({
  id: 'android',
  name: 'Resources',
  platform: 'Android',
  note: 'A vector drawable an icon, strokes and arcs kept as they are, mirrored right to left where it says so; drawables for dark and pictures for every density where they are wanted.',
  readBy: [
    { reader: 'aapt2', compares: 'compiles', spec: 'src/server/delivery/read-back.test.ts' },
    {
      reader: 'a reader of vector drawables',
      compares: 'the picture at 96 px, within 0.5 of 255',
      spec: 'src/server/delivery/read-back.test.ts',
    },
  ],
  choices: {
    pattern: text('pattern', 'ic_*', 'other_*', patternFault),
    tint: onOff('tinted by the theme', true),
    attribute: oneOf('tint from', 'framework', { framework: 'the platform', library: 'the support library' }),
    night: onOff('drawables for dark, where it is not tinted', false),
    pictures: onOff('pictures for every density', false),
  },
  each(icon, { rules, icons }, options) {
    const dp = realSize(rules)
    const drawable = (folder: string, name: string, ground: 'light' | 'dark', isMirrored = false) => ({
      path: `android/res/${folder}/${name}.xml`,
      made: {
        as: 'text' as const,
        text: (renderer: IconRenderer) =>
          vectorDrawable(renderer.shapes(dp), {
            dp,
            viewport: renderer.grid(dp),
            ground,
            isMirrored,
            ...(options.tint && { tint: TINTS[options.attribute as keyof typeof TINTS] }),
          }),
      },
    })
    // Layout direction comes before night, and night before density (“Providing resources”, table of qualifiers).
    const files = (folder: string, name: string, isMirrored: boolean) => [
      drawable(folder, name, 'light', isMirrored),
      ...(options.night && !options.tint ? [drawable(`${folder}-night`, name, 'dark', isMirrored)] : []),
    ]
    const pictures = (folder: string, name: string, turned: (picture: Picture) => Picture = (picture) => picture) =>
      options.pictures
        ? Object.entries(DENSITIES).map(([density, scale]) => ({
            path: `android/res/${folder}-${density}/${name}_picture.png`,
            made: {
              as: 'raster' as const,
              picture: { pixels: dp * scale, of: (renderer: IconRenderer) => turned(renderer.picture(dp, 'light')) },
            },
          }))
        : []
    const name = resourceName(options.pattern, icon.name),
      isMirrored = icon.rtl === 'mirrored'
    return [
      ...files('drawable', name, isMirrored),
      ...pictures('drawable', name),
      // A picture does not mirror by itself.
      ...(isMirrored ? pictures('drawable-ldrtl', name, inMirror) : []),
      ...standsFor(icon, icons).flatMap((other) => {
        const own = resourceName(options.pattern, other.name)
        return [...files('drawable-ldrtl', own, false), ...pictures('drawable-ldrtl', own)]
      }),
    ]
  },
  problems(renderer, options): Problem[] {
    const shapes = renderer.shapes(realSize(renderer.rules)),
      count = coloursOf(shapes).length,
      name = resourceName(options.pattern, renderer.icon.name)
    return [
      ...leftOut(shapes).map((what) => ({
        sentence: `loses ${what}, which a vector drawable cannot have.`,
        isError: false,
      })),
      ...(options.tint && count > 1
        ? [
            {
              sentence: `paints in ${count} colours, of which the theme’s tint makes one.`,
              isError: false,
              mend: { word: 'keep the colours', target: 'android', options: { tint: false } },
            },
          ]
        : []),
      ...(TAKEN.has(name) || !/^[a-z]/.test(name)
        ? [
            {
              sentence: `would be the resource “${name}”, which the platform does not take: let the pattern begin with letters.`,
              isError: true,
              mend: { word: 'begin names with ic_', target: 'android', options: { pattern: 'ic_*' } },
            },
          ]
        : []),
    ]
  },
  previews: (renderer) => barPreviews(renderer),
})
