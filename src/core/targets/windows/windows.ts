import { type Composition, composedIcon, composedWide } from '../composition'
import type { Picture } from '../../picture/picture'
import { element } from '../../formats/markup'
import { cased } from '../naming'
import { onOff } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { defineTarget } from '../target'

const ICO = [16, 20, 24, 32, 40, 48, 64, 256]
const SCALES = [100, 125, 150, 200, 400]
/** How much of a tile its icon takes across: a tile has a name beneath and air around. */
const TILE = 2 / 3
/** Tiles and logos by name, and their side at 100 %. */
const SQUARES = {
  Square44x44Logo: 44,
  Square71x71Logo: 71,
  Square150x150Logo: 150,
  Square310x310Logo: 310,
  StoreLogo: 50,
}
/** Wide pictures by name, and the share of the height that the icon takes. */
const WIDE = [
  { name: 'Wide310x150Logo', w: 310, h: 150, share: TILE },
  { name: 'SplashScreen', w: 620, h: 300, share: 2 / 3 },
]
/** The sizes that the shell asks for, in lists, the task bar and the start menu at every scale. */
const TARGETED = [16, 20, 24, 30, 32, 36, 40, 48, 60, 64, 72, 80, 96, 256]

/** The lines of a package's manifest that name the pictures, in their places. */
function manifestLines(name: string): string {
  const image = (one: string) => `Assets\\${one}.png`
  const tile = element('uap:DefaultTile', {
    Square71x71Logo: image('Square71x71Logo'),
    Square310x310Logo: image('Square310x310Logo'),
    Wide310x150Logo: image('Wide310x150Logo'),
  })
  const elements = element(
    'uap:VisualElements',
    {
      DisplayName: name,
      Description: name,
      BackgroundColor: 'transparent',
      Square150x150Logo: image('Square150x150Logo'),
      Square44x44Logo: image('Square44x44Logo'),
    },
    `\n        ${tile}\n        ${element('uap:SplashScreen', { Image: image('SplashScreen') })}\n      `,
  )
  return `${element(
    'Package',
    {
      xmlns: 'http://schemas.microsoft.com/appx/manifest/foundation/windows10',
      'xmlns:uap': 'http://schemas.microsoft.com/appx/manifest/uap/windows10',
    },
    `
  ${element('Properties', {}, element('Logo', {}, image('StoreLogo')))}
  <Applications>
    <Application>
      ${elements}
    </Application>
  </Applications>
`,
  )}\n`
}

/** An application's icon in one file, and the scaled pictures that its package names by qualifiers. */
export const windows = defineTarget({
  id: 'windows',
  name: 'App icon and tiles',
  platform: 'Windows',
  note: 'An ICO of 16 to 256, tiles, logos and splash screen at every scale, pictures for all sizes of the shell, plated and unplated, and the lines of the manifest that name them.',
  isForApps: true,
  readBy: [
    { reader: 'icotool', compares: 'every size of the ICO', spec: 'src/server/delivery/read-back.test.ts' },
    {
      reader: 'an independent PNG decoder',
      compares: 'the largest is of 32 bits',
      spec: 'src/server/delivery/read-back.test.ts',
    },
  ],
  choices: { assets: onOff('tiles and logos', true) },
  each({ name }, _, options) {
    const plain = cased(name, 'kebab'),
      folder = `windows/${plain}`
    const own: Composition = { share: 1, plate: 'own', fallback: null, ground: 'light' }
    const asset = (path: string, pixels: number, of: (renderer: IconRenderer) => Picture) => ({
      path: `${folder}/Assets/${path}.png`,
      made: { as: 'raster' as const, picture: { pixels, of } },
    })
    return [
      {
        path: `${folder}/${plain}.ico`,
        made: {
          as: 'ico',
          pictures: ICO.map((pixels) => ({ pixels, of: (renderer) => composedIcon(renderer, pixels, own) })),
        },
      },
      ...(options.assets
        ? [
            ...Object.entries(SQUARES).flatMap(([logo, side]) =>
              SCALES.map((scale) => {
                const pixels = Math.round((side * scale) / 100)
                return asset(`${logo}.scale-${scale}`, pixels, (renderer) =>
                  composedIcon(renderer, pixels, { ...own, share: side > 50 ? TILE : 1 }),
                )
              }),
            ),
            ...WIDE.flatMap(({ name: wide, w, h, share }) =>
              SCALES.map((scale) =>
                asset(`${wide}.scale-${scale}`, Math.round((w * scale) / 100), (renderer) =>
                  composedWide(renderer, Math.round((h * scale) / 100), { ...own, share }, w / h),
                ),
              ),
            ),
            ...TARGETED.flatMap((pixels) =>
              ['', '_altform-unplated', '_altform-lightunplated'].map((form) =>
                asset(`Square44x44Logo.targetsize-${pixels}${form}`, pixels, (renderer) =>
                  composedIcon(renderer, pixels, { ...own, ground: form === '_altform-unplated' ? 'dark' : 'light' }),
                ),
              ),
            ),
            {
              path: `${folder}/visual-elements.xml`,
              made: { as: 'fixed' as const, text: manifestLines(name) },
            },
          ]
        : []),
    ]
  },
  previews: (renderer) => {
    const own = (ground: 'light' | 'dark'): Composition => ({ share: 1, plate: 'own', fallback: null, ground })
    return [
      {
        word: 'task bar, light',
        place: 'task bar',
        on: 'light',
        picture: composedIcon(renderer, 24, own('light')),
      },
      {
        word: 'task bar, dark',
        place: 'task bar',
        on: 'dark',
        picture: composedIcon(renderer, 24, own('dark')),
      },
      {
        word: 'tile',
        place: 'tile',
        on: 'dark',
        picture: composedIcon(renderer, 150, { ...own('light'), share: TILE }),
      },
    ]
  },
})
