import type { Target } from '../target'

/** `png/SIZE/NAME.png`, and `NAME@2x.png` and so on, for each icon, size and density. */
export const png: Target = {
  id: 'png',
  name: 'PNG',
  note: 'Every delivered size at every density, as the proofs show it.',
  files: (icon, { sizes, densities }) =>
    sizes.flatMap((size) =>
      densities.map((density) => ({
        path: `png/${size}/${icon.name}${density === 1 ? '' : `@${density}x`}.png`,
        icon,
        made: { as: 'raster' as const, size, pixels: size * density },
      })),
    ),
}
