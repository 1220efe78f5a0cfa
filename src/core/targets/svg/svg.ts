import { basesOf } from '../../rules/book'
import type { Target } from '../target'

/** `svg/NAME.svg` for each icon, and `svg/BASE/NAME.svg` for each further grid it is drawn on. */
export const svg: Target = {
  id: 'svg',
  name: 'SVG',
  note: 'One file an icon: one viewBox, ink as currentColor, numbers as short as they can be. Each further master in a folder of its own.',
  files: (icon, sizes) =>
    basesOf(sizes).map((base) => ({
      path: base === sizes.grid.size ? `svg/${icon.name}.svg` : `svg/${base}/${icon.name}.svg`,
      icon,
      made: { as: 'text' as const, size: base, text: ({ current }) => current },
    })),
}
