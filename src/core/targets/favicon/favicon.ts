import { contrast, ENOUGH } from '../../proof/contrast'
import { type Element, element, markup, markupOf } from '../../formats/markup'
import { svgElement } from '../../picture/svg'
import { boxCentre } from '../../geometry/box'
import { cased } from '../naming'
import { colour, onOff, text } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { appBox, type Cut, type Composition, composedIcon, plateColour, reachOf, uncast } from '../composition'
import { coloursOf, inked, silhouette } from '../tone'
import { defineTarget } from '../target'

/** The middle circle of a maskable icon that no mask cuts into, across (W3C Web App Manifest, “Icon masks and safe zone”). */
const SAFE = 0.8

const plain: Composition = { share: 1, plate: 'own', fallback: null, ground: 'light' }

/** Edge to edge, in the middle circle where that is asked for. */
const maskable = ({ ground, fit }: { readonly ground: string; readonly fit: boolean }): Composition => ({
  share: 1,
  plate: 'full',
  fallback: ground,
  ground: 'light',
  ...(fit && { safe: SAFE }),
})

/** One colour that stands out from the plate, on nothing, in the middle circle: for whoever paints it in another. */
const monochrome = ({ ground }: { readonly ground: string }): Composition => ({
  share: 1,
  plate: 'none',
  fallback: null,
  safe: SAFE,
  ground: 'light',
  figure: (figure, plate) => [inked(silhouette(figure, plateColour(plate, 'light', ground)), '#000000')],
})

/** The first words of a name within twelve characters; a longer first word is cut. */
function shortName(name: string): string {
  const short = name.split(/\s+/).reduce((so, word) => ([...`${so} ${word}`].length <= 13 ? `${so} ${word}` : so), '')
  return short.trim() || [...name].slice(0, 12).join('')
}

/** Sizes of the ICO, of plain PNGs and of a home screen. */
const ICO = [16, 32, 48],
  TOUCH = 180,
  MANIFEST = [192, 512]

/** The icon for a tab, which follows a dark theme where its colours do. */
function tabIcon(renderer: IconRenderer): string {
  const at = (ground: 'light' | 'dark') => svgElement(composedIcon(renderer, 32, { ...plain, ground }))
  const light = at('light'),
    dark = at('dark')
  if (markup(light) === markup(dark)) return `${markup(light)}\n`
  const group = (name: string, { inside }: Element) => element('g', { class: name }, markupOf(inside))
  const style = '<style>.d{display:none}@media(prefers-color-scheme:dark){.l{display:none}.d{display:inline}}</style>'
  return `${element('svg', light.own, style + group('l', light) + group('d', dark))}\n`
}

/** What a browser shows of a page: in its tab, in bookmarks, on a home screen; with the manifest that names them. */
export const favicon = defineTarget({
  id: 'favicon',
  name: 'Tab and home screen',
  platform: 'Web',
  note: 'Tab icon as ICO, as SVG that follows a dark theme and as PNG, touch icon, web app manifest with any and maskable icons.',
  isForApps: true,
  readBy: [
    {
      reader: 'icotool',
      compares: 'every size of the ICO, to the pixel',
      spec: 'src/server/delivery/read-back.test.ts',
    },
    { reader: 'Chromium', compares: 'the SVG in light and dark, as the proof shows it', spec: 'e2e/targets.spec.ts' },
    { reader: 'rsvg-convert', compares: 'the SVG at 96 px', spec: 'src/server/delivery/read-back.test.ts' },
  ],
  choices: {
    ground: colour('background without a plate', '#fbfcfb'),
    theme: colour('theme colour', '#11807f'),
    themeDark: colour('theme colour, dark', '#14231f'),
    fit: onOff('scale into the safe zone', true),
    start: text('start page', './', '/other/', (value) =>
      /^[^\s<>"]{1,200}$/.test(value) ? null : 'A start page is an address without spaces or quotes.',
    ),
  },
  each({ name }, family, options) {
    const folder = `favicon/${cased(name, 'kebab')}`
    const picture = (path: string, pixels: number, composition: Composition) => ({
      path: `${folder}/${path}`,
      made: {
        as: 'raster' as const,
        picture: { pixels, of: (renderer: IconRenderer) => composedIcon(renderer, pixels, composition) },
      },
    })
    const written = (path: string, made: string) => ({
      path: `${folder}/${path}`,
      made: { as: 'fixed' as const, text: made },
    })
    return [
      {
        path: `${folder}/favicon.ico`,
        made: {
          as: 'ico',
          pictures: ICO.map((pixels) => ({ pixels, of: (renderer) => composedIcon(renderer, pixels, plain) })),
        },
      },
      { path: `${folder}/icon.svg`, made: { as: 'text', text: tabIcon } },
      ...ICO.map((size) => picture(`icon-${size}.png`, size, plain)),
      picture('apple-touch-icon.png', TOUCH, { share: 1, plate: 'full', fallback: options.ground, ground: 'light' }),
      ...MANIFEST.flatMap((size) => [
        picture(`icon-${size}.png`, size, plain),
        picture(`maskable-${size}.png`, size, maskable(options)),
        picture(`monochrome-${size}.png`, size, monochrome(options)),
      ]),
      written(
        'manifest.webmanifest',
        `${JSON.stringify(
          {
            id: `/?app=${encodeURIComponent(cased(name, 'kebab'))}`,
            name,
            short_name: shortName(name),
            start_url: options.start,
            display: 'standalone',
            background_color: options.ground,
            theme_color: options.theme,
            icons: MANIFEST.flatMap((size) =>
              (['any', 'maskable', 'monochrome'] as const).map((purpose) => ({
                src: `${purpose === 'any' ? 'icon' : purpose}-${size}.png`,
                sizes: `${size}x${size}`,
                type: 'image/png',
                purpose,
              })),
            ),
          },
          null,
          2,
        )}\n`,
      ),
      written(
        'head.html',
        `<link rel="icon" href="favicon.ico" sizes="48x48">
<link rel="icon" href="icon.svg" type="image/svg+xml" sizes="any">
<link rel="apple-touch-icon" href="apple-touch-icon.png">
<link rel="manifest" href="manifest.webmanifest">
<meta name="theme-color" media="(prefers-color-scheme: light)" content="${options.theme}">
<meta name="theme-color" media="(prefers-color-scheme: dark)" content="${options.themeDark}">
`,
      ),
    ]
  },
  problems(renderer, options) {
    const { plate, figure } = renderer.layers(512)
    const box = appBox(renderer, 512)
    const ground = plateColour(plate, 'light', options.ground)
    const most = Math.max(0, ...coloursOf(figure).map((one) => contrast(one, ground)))
    return [
      ...(!options.fit && reachOf(uncast(figure, renderer, 512), boxCentre(box)) > (SAFE * box.w) / 2
        ? [
            {
              sentence: 'extends beyond the safe zone of a maskable icon: masks may cut it off.',
              isError: false,
              mend: { word: 'scale it into the safe zone', target: 'favicon', options: { fit: true } },
            },
          ]
        : []),
      ...(figure.length > 0 && most < ENOUGH
        ? [
            {
              sentence: `has little contrast with its background ${ground}: a graphic needs ${ENOUGH} : 1.`,
              isError: false,
            },
          ]
        : []),
    ]
  },
  previews(renderer, options) {
    const masked = (cut: Cut) => composedIcon(renderer, 192, { ...maskable(options), cut })
    return [
      ...(['light', 'dark'] as const).map((on) => ({
        word: `tab, ${on}`,
        place: 'tab' as const,
        on,
        picture: composedIcon(renderer, 16, { ...plain, ground: on }),
      })),
      ...(['circle', 'squircle', 'rounded'] as const).map((cut) => ({
        word: `home screen, ${cut}`,
        place: 'home' as const,
        on: 'light' as const,
        picture: masked(cut),
      })),
    ]
  },
})
