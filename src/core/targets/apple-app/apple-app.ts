import { contrast } from '../../proof/contrast'
import { contents } from '../apple/apple'
import { type Composition, composedIcon, plateColour } from '../composition'
import type { Picture } from '../../picture/picture'
import { cased } from '../naming'
import { colour, onOff, oneOf } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { coloursOf, greyed } from '../tone'
import { defineTarget } from '../target'

const SIDE = 1024
/** How much of its canvas a desktop icon takes across. */
const DESKTOP = 824 / 1024
/** About what a home screen paints behind a dark icon. */
const NIGHT = '#1c1c1e'
/** From which contrast on something is seen there. */
const SEEN = 1.5

const ICNS = [16, 32, 64, 128, 256, 512, 1024]
/** The sizes of a desktop icon in the set, each at two scales. */
const DESKTOP_SIZES = [16, 32, 128, 256, 512]

type Chosen = { readonly ground: string; readonly dark: string }

const full = ({ ground }: Chosen, more: Partial<Composition> = {}): Composition => ({
  share: 1,
  plate: 'full',
  fallback: ground,
  ground: 'light',
  ...more,
})

const lightIcon = (renderer: IconRenderer, chosen: Chosen, cut?: 'squircle') =>
  composedIcon(renderer, SIDE, full(chosen, { cut }))

/** For dark home screens: on its plate there, or clear, for the system to lay on its own ground. */
const darkIcon = (renderer: IconRenderer, chosen: Chosen, cut?: 'squircle') =>
  composedIcon(renderer, SIDE, full(chosen, { ground: 'dark', plate: chosen.dark === 'plate' ? 'full' : 'none', cut }))

/** In greys on black, for the system to tint. */
const tintedIcon = (renderer: IconRenderer, chosen: Chosen, cut?: 'squircle') =>
  composedIcon(renderer, SIDE, {
    ...full(chosen, { cut }),
    plate: 'colour',
    fallback: '#000000',
    figure: (figure, plate) => greyed(figure, plateColour(plate, 'light', chosen.ground)),
  })

const desktopIcon = (renderer: IconRenderer, pixels: number) =>
  composedIcon(renderer, pixels, { share: DESKTOP, plate: 'own', fallback: null, ground: 'light' })

/** An application's icon: light, dark and tinted for a home screen, and one file for the desktop. */
export const appleApp = defineTarget({
  id: 'apple-app',
  name: 'App icon',
  platform: 'Apple',
  note: 'An app icon set with light, dark and tinted pictures of 1024, edge to edge, for the watch and the desktop where they are wanted, and an ICNS for the desktop.',
  isForApps: true,
  readBy: [{ reader: 'icns2png', compares: 'every size of the ICNS', spec: 'src/server/delivery/read-back.test.ts' }],
  choices: {
    ground: colour('background without a plate', '#fbfcfb'),
    dark: oneOf('dark icon', 'clear', { clear: 'on the system’s ground', plate: 'on its plate' }),
    mac: onOff('desktop in the set', false),
    watch: onOff('watch in the set', false),
    icns: onOff('ICNS', true),
  },
  each({ name }, _, options) {
    const plain = cased(name, 'kebab'),
      folder = `apple/App.xcassets/${plain}.appiconset`
    const picture = (file: string, of: (renderer: IconRenderer) => Picture, pixels = SIDE) => ({
      path: `${folder}/${file}`,
      made: { as: 'raster' as const, picture: { pixels, of } },
    })
    const image = (filename: string, value?: string) => ({
      filename,
      idiom: 'universal',
      platform: 'ios',
      size: `${SIDE}x${SIDE}`,
      ...(value && { appearances: [{ appearance: 'luminosity', value }] }),
    })
    return [
      {
        path: `${folder}/Contents.json`,
        made: {
          as: 'fixed',
          text: contents({
            images: [
              image('light.png'),
              image('dark.png', 'dark'),
              image('tinted.png', 'tinted'),
              ...(options.watch
                ? [{ filename: 'watch.png', idiom: 'universal', platform: 'watchos', size: `${SIDE}x${SIDE}` }]
                : []),
              ...(options.mac
                ? DESKTOP_SIZES.flatMap((size) =>
                    [1, 2].map((scale) => ({
                      filename: `desktop-${size * scale}.png`,
                      idiom: 'mac',
                      scale: `${scale}x`,
                      size: `${size}x${size}`,
                    })),
                  )
                : []),
            ],
          }),
        },
      },
      picture('light.png', (renderer) => lightIcon(renderer, options)),
      picture('dark.png', (renderer) => darkIcon(renderer, options)),
      picture('tinted.png', (renderer) => tintedIcon(renderer, options)),
      ...(options.watch ? [picture('watch.png', (renderer) => lightIcon(renderer, options))] : []),
      ...(options.mac
        ? ICNS.map((pixels) => picture(`desktop-${pixels}.png`, (renderer) => desktopIcon(renderer, pixels), pixels))
        : []),
      ...(options.icns
        ? [
            {
              path: `apple/${plain}.icns`,
              made: {
                as: 'icns' as const,
                pictures: ICNS.map((pixels) => ({
                  pixels,
                  of: (renderer: IconRenderer) => desktopIcon(renderer, pixels),
                })),
              },
            },
          ]
        : []),
    ]
  },
  whole: () => [{ path: 'apple/App.xcassets/Contents.json', made: { as: 'fixed', text: contents({}) } }],
  problems(renderer, options) {
    const { figure } = renderer.layers(SIDE)
    const most = Math.max(0, ...coloursOf(figure, 'dark').map((one) => contrast(one, NIGHT)))
    return options.dark === 'clear' && figure.length > 0 && most < SEEN
      ? [
          {
            sentence: 'is as dark as the ground of a dark home screen.',
            isError: false,
            mend: { word: 'lay it on its plate there', target: 'apple-app', options: { dark: 'plate' } },
          },
        ]
      : []
  },
  previews: (renderer, options) => [
    { word: 'home screen', place: 'home', on: 'light', picture: lightIcon(renderer, options, 'squircle') },
    {
      word: 'home screen, dark',
      place: 'home',
      on: 'dark',
      picture: darkIcon(renderer, options, 'squircle'),
    },
    {
      word: 'home screen, tinted',
      place: 'home',
      on: 'dark',
      picture: tintedIcon(renderer, options, 'squircle'),
    },
    { word: 'desktop', place: 'dock', on: 'light', picture: desktopIcon(renderer, 128) },
  ],
})
