import type { Target } from '../target'

/** `svg/NAME.svg` for each icon. */
export const svg: Target = {
  id: 'svg',
  name: 'SVG',
  note: 'One file an icon: one viewBox, ink as currentColor, numbers as short as they can be.',
  files: (icon) => [{ path: `svg/${icon.name}.svg`, icon, made: { as: 'text', text: ({ current }) => current } }],
}
