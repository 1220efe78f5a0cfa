import type { Icon } from './set'

type Directed = Pick<Icon, 'id' | 'rtl'>

/** The icon that stands for another where text runs from right to left, and whether it is seen in the mirror. */
type Turned<I extends Directed> = { readonly icon: I; readonly isMirrored: boolean }

/** What stands for an icon of a family right to left: itself where nothing is said, or what was said is no longer there. */
export function rightToLeft<I extends Directed>(icon: I, family: readonly I[]): Turned<I> {
  const { rtl } = icon
  if (rtl === 'mirrored') return { icon, isMirrored: true }
  const other = typeof rtl === 'object' ? family.find(({ id }) => id === rtl.icon) : undefined
  return { icon: other ?? icon, isMirrored: false }
}

/** The icons of a family that an icon stands for right to left. */
export const standsFor = <I extends Directed>({ id }: Directed, family: readonly I[]): readonly I[] =>
  family.filter(({ id: own, rtl }) => typeof rtl === 'object' && rtl.icon === id && own !== id)
