import { type Composition, composedIcon, composedWide } from '../composition'
import { cased } from '../naming'
import { onOff } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { defineTarget } from '../target'

const ICO = [16, 20, 24, 32, 40, 48, 64, 256]
const SCALES = [100, 125, 150, 200, 400]
/** Tiles and logos by name, and their side at 100 %. */
const SQUARES = {
  Square44x44Logo: 44,
  Square71x71Logo: 71,
  Square150x150Logo: 150,
  Square310x310Logo: 310,
  StoreLogo: 50,
}
const WIDE = { name: 'Wide310x150Logo', w: 310, h: 150 }
const TARGETED = [16, 24, 32, 48, 256]

/** How much of a tile its icon takes across: a tile has a name beneath and air around. */
const TILE = 2 / 3

/** An application's icon in one file, and the scaled pictures that its package names by qualifiers. */
export const windows = defineTarget({
  id: 'windows',
  name: 'App icon and tiles',
  platform: 'Windows',
  note: 'An ICO of 16 to 256, tiles and logos at every scale, and pictures for the sizes of the task bar, with their qualifiers.',
  isForApps: true,
  readBy: [
    { reader: 'icotool', compares: 'every size of the ICO' },
    { reader: 'a PNG decoder of its own', compares: 'the largest is of 32 bits' },
  ],
  choices: { assets: onOff('tiles and logos', true) },
  each({ name }, _, options) {
    const plain = cased(name, 'kebab'),
      folder = `windows/${plain}`
    const own: Composition = { share: 1, plate: 'own', fallback: null, ground: 'light' }
    const asset = (path: string, pixels: number, svg: (renderer: IconRenderer) => string) => ({
      path: `${folder}/Assets/${path}.png`,
      made: { as: 'raster' as const, picture: { pixels, svg } },
    })
    return [
      {
        path: `${folder}/${plain}.ico`,
        made: {
          as: 'ico',
          pictures: ICO.map((pixels) => ({ pixels, svg: (renderer) => composedIcon(renderer, pixels, own) })),
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
            ...SCALES.map((scale) => {
              const pixels = Math.round((WIDE.w * scale) / 100)
              return asset(`${WIDE.name}.scale-${scale}`, pixels, (renderer) =>
                composedWide(renderer, Math.round((WIDE.h * scale) / 100), { ...own, share: TILE }, WIDE.w / WIDE.h),
              )
            }),
            ...TARGETED.flatMap((pixels) =>
              ['', '_altform-unplated', '_altform-lightunplated'].map((form) =>
                asset(`Square44x44Logo.targetsize-${pixels}${form}`, pixels, (renderer) =>
                  composedIcon(renderer, pixels, { ...own, ground: form === '_altform-unplated' ? 'dark' : 'light' }),
                ),
              ),
            ),
          ]
        : []),
    ]
  },
  previews: (renderer) => {
    const own = (ground: 'light' | 'dark'): Composition => ({ share: 1, plate: 'own', fallback: null, ground })
    return [
      { word: 'task bar, light', place: 'task bar', on: 'light', svg: composedIcon(renderer, 24, own('light')) },
      { word: 'task bar, dark', place: 'task bar', on: 'dark', svg: composedIcon(renderer, 24, own('dark')) },
      { word: 'tile', place: 'tile', on: 'dark', svg: composedIcon(renderer, 150, { ...own('light'), share: TILE }) },
    ]
  },
})
