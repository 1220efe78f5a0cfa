import { fileName, naming } from '../naming'
import { oneOf } from '../options'
import { barPreviews } from '../previews'
import { defineTarget } from '../target'

/** `png/SIZE/NAME.png`, and `NAME@2x.png` and so on, for each icon, size and density. */
export const png = defineTarget({
  id: 'png',
  name: 'PNG files',
  platform: 'Plain files',
  note: 'Every delivered size at every density, as the proofs show it.',
  readBy: [
    {
      reader: 'an independent PNG decoder',
      compares: 'every pixel of the proof',
      spec: 'src/server/delivery/read-back.test.ts',
    },
  ],
  choices: {
    ...naming(),
    ground: oneOf('drawn for', 'light', { light: 'light ground', dark: 'dark ground' }),
  },
  each: (icon, { rules: { sizes, densities } }, options) =>
    sizes.flatMap((size) =>
      densities.map((density) => ({
        path: `png/${size}/${fileName(icon.name, options, size)}${density === 1 ? '' : `@${density}x`}.png`,
        made: {
          as: 'raster',
          picture: {
            pixels: size * density,
            of: (renderer) => renderer.picture(size, options.ground === 'dark' ? 'dark' : 'light'),
          },
        },
      })),
    ),
  previews: (renderer) => barPreviews(renderer),
})
