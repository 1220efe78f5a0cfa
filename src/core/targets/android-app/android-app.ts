import type { Shape } from '../../drawing/scene/shape'
import { boxCentre } from '../../geometry/box'
import { DENSITIES } from '../android/android'
import { vectorDrawable } from '../android/vector'
import {
  appBox,
  type Cut,
  composedIcon,
  fullPlate,
  grown,
  isAtEdge,
  plateColour,
  safeScale,
  uncast,
} from '../composition'
import { cased } from '../naming'
import { colour, onOff } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { defineTarget } from '../target'
import { shaded } from '../tone'

/** The layers of an adaptive icon, across; how much of them a mask shows at most, and the circle that none cuts. */
const LAYER = 108,
  SHOWN = 72,
  SAFE = 66
/** A launcher icon of before there were layers, in density-independent pixels, and the picture of a shop. */
const LEGACY = 48,
  SHOP = 512

/** How a themed icon may be coloured, for a picture of it. */
const THEMED = { ground: '#2f4a44', ink: '#cfe6de' }

/** The box of a layer. The area that every mask shows is that of the plate. */
const viewOf = (renderer: IconRenderer) => grown(appBox(renderer, LAYER), LAYER / SHOWN)

/** Shapes as a layer, smaller about its middle by a scale. */
function layer(renderer: IconRenderer, shapes: readonly Shape[], scale = 1): string {
  const view = viewOf(renderer),
    middle = boxCentre(view)
  const place = { scale, x: middle.x * (1 - scale) - view.x, y: middle.y * (1 - scale) - view.y }
  return vectorDrawable(shapes, { dp: LAYER, viewport: view.w, place })
}

const safely = (renderer: IconRenderer) =>
  isAtEdge(renderer, LAYER)
    ? 1
    : safeScale(uncast(renderer.layers(LAYER).figure, renderer, LAYER), viewOf(renderer), SAFE / LAYER)

/** An adaptive launcher icon in layers, with a layer for themed icons, and the older pictures. */
export const androidApp = defineTarget({
  id: 'android-app',
  name: 'Launcher icon',
  platform: 'Android',
  note: 'An adaptive icon of background, foreground and monochrome layers, pictures for older launchers, square and round, and one for a shop.',
  isForApps: true,
  readBy: [
    { reader: 'aapt2', compares: 'compiles', spec: 'src/server/delivery/read-back.test.ts' },
    {
      reader: 'an independent PNG decoder',
      compares: 'the shop’s picture: 32 bits',
      spec: 'src/server/delivery/read-back.test.ts',
    },
  ],
  choices: {
    ground: colour('background without a plate', '#fbfcfb'),
    legacy: onOff('pictures for older launchers', true),
  },
  each({ name }, _, options) {
    const folder = `android/${cased(name, 'kebab')}`,
      res = `${folder}/res`
    const drawable = (what: string, text: (renderer: IconRenderer) => string) => ({
      path: `${res}/drawable/ic_launcher_${what}.xml`,
      made: { as: 'text' as const, text },
    })
    const adaptive = `<?xml version="1.0" encoding="utf-8"?>
<adaptive-icon xmlns:android="http://schemas.android.com/apk/res/android">
<background android:drawable="@drawable/ic_launcher_background"/>
<foreground android:drawable="@drawable/ic_launcher_foreground"/>
<monochrome android:drawable="@drawable/ic_launcher_monochrome"/>
</adaptive-icon>
`
    const full = { share: 1, plate: 'full', fallback: options.ground, ground: 'light', safe: SAFE / SHOWN } as const
    return [
      drawable('background', (renderer) =>
        layer(renderer, fullPlate(renderer.layers(LAYER).plate, viewOf(renderer), options.ground)),
      ),
      drawable('foreground', (renderer) => layer(renderer, renderer.layers(LAYER, true).figure, safely(renderer))),
      drawable('monochrome', (renderer) => {
        const { plate, figure } = renderer.layers(LAYER, true)
        return layer(renderer, shaded(figure, plateColour(plate, 'light', options.ground), '#000000'), safely(renderer))
      }),
      ...['ic_launcher', 'ic_launcher_round'].map((file) => ({
        path: `${res}/mipmap-anydpi-v26/${file}.xml`,
        made: { as: 'fixed' as const, text: adaptive },
      })),
      ...(options.legacy
        ? Object.entries(DENSITIES).flatMap(([density, scale]) =>
            (['rounded', 'circle'] as const).map((cut) => ({
              path: `${res}/mipmap-${density}/ic_launcher${cut === 'circle' ? '_round' : ''}.png`,
              made: {
                as: 'raster' as const,
                picture: {
                  pixels: LEGACY * scale,
                  of: (renderer: IconRenderer) => composedIcon(renderer, LEGACY * scale, { ...full, cut }),
                },
              },
            })),
          )
        : []),
      {
        path: `${folder}/shop-${SHOP}.png`,
        // The shop asks for 32 bits.
        made: {
          as: 'raster',
          picture: { pixels: SHOP, of: (renderer) => composedIcon(renderer, SHOP, full), colours: '32 bits' },
        },
      },
    ]
  },
  previews(renderer, options) {
    const full = { share: 1, plate: 'full', fallback: options.ground, ground: 'light', safe: SAFE / SHOWN } as const
    const masked = (cut: Cut) => composedIcon(renderer, SHOWN, { ...full, cut })
    const themed = composedIcon(renderer, SHOWN, {
      ...full,
      plate: 'colour',
      fallback: THEMED.ground,
      cut: 'circle',
      figure: (figure, plate) => shaded(figure, plateColour(plate, 'light', options.ground), THEMED.ink),
    })
    return [
      ...(['circle', 'squircle', 'rounded'] as const).map((cut) => ({
        word: `launcher, ${cut}`,
        place: 'launcher' as const,
        on: 'light' as const,
        picture: masked(cut),
      })),
      { word: 'launcher, themed', place: 'launcher', on: 'dark', picture: themed },
    ]
  },
})
