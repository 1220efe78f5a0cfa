import type { Icon } from './set'

type Directed = Pick<Icon, 'id' | 'rtl'>

/** The icon that stands for another where text runs from right to left, and whether it is seen in the mirror. */
type Turned<I extends Directed> = { readonly icon: I; readonly isMirrored: boolean }

/** The icon that replaces an icon right to left: the icon itself if nothing is set, or if the chosen one is missing. */
export function rightToLeft<I extends Directed>(icon: I, family: readonly I[]): Turned<I> {
  const { rtl } = icon
  if (rtl === 'mirrored') return { icon, isMirrored: true }
  const other = typeof rtl === 'object' ? family.find(({ id }) => id === rtl.icon) : undefined
  return { icon: other ?? icon, isMirrored: false }
}

/** The icons of families that name another one, by its id. */
const known = new WeakMap<readonly Directed[], ReadonlyMap<string, readonly Directed[]>>()

/** The icons of a family that an icon stands for right to left. */
export function standsFor<I extends Directed>({ id }: Directed, family: readonly I[]): readonly I[] {
  let named = known.get(family)
  if (!named) {
    const pairs = family.flatMap((one) =>
      typeof one.rtl === 'object' && one.rtl.icon !== one.id ? [[one.rtl.icon, one] as const] : [],
    )
    named = new Map(pairs.map(([to]) => [to, pairs.flatMap(([other, one]) => (other === to ? [one] : []))]))
    known.set(family, named)
  }
  return (named.get(id) ?? []) as readonly I[]
}
