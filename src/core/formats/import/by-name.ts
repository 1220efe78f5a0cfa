import type { FileProblem } from '../../findings/problem'
import { freeName, nameKey } from '../../set/names'
import { STYLES, type Style } from './names'
import type { ReadIcon } from './read-icon'

/** The share of the files from which on a word at the end of their names is a style, and not a part of the names. */
const STYLED = 0.15

/** Assigns styles by the last word of names, if many names have one. */
export function withStyles(read: readonly ReadIcon[]): readonly ReadIcon[] {
  const count = (style: Style) => read.filter((one) => one.fullName !== null && one.style === style).length
  const rare = new Set(STYLES.filter((style) => count(style) < STYLED * read.length))
  return read.map((one) =>
    one.fullName !== null && one.style !== null && rare.has(one.style)
      ? { ...one, name: one.fullName, fullName: null, style: null }
      : one,
  )
}

/** An icon with its drawings by the size that each is for. */
export type Sized = { name: string; tags: string[]; path: string; code?: number; sizes: Map<number, ReadIcon> }

/** The drawings by their icons: the same name in several sizes is one icon, the same name and size again is another. */
export function byName(read: readonly ReadIcon[], grid: number, remarks: FileProblem[]): Sized[] {
  const icons: Sized[] = [],
    byKey = new Map<string, Sized>()
  for (const one of read) {
    const key = nameKey(one.name)
    const known = byKey.get(key)
    if (known && !known.sizes.has(one.base)) {
      known.sizes.set(one.base, one)
      if (one.base === grid) known.path = one.path
      continue
    }
    const name = known
      ? freeName(
          one.name,
          icons.map((icon) => icon.name),
        )
      : one.name
    if (known)
      remarks.push({
        icon: name,
        path: one.path,
        isError: false,
        sentence: `there is another “${one.name}”, so it is named “${name}”`,
      })
    const fresh: Sized = {
      name,
      tags: one.tags.slice(0, 40),
      path: one.path,
      ...(one.code !== undefined && { code: one.code }),
      sizes: new Map([[one.base, one]]),
    }
    icons.push(fresh)
    byKey.set(nameKey(name), fresh)
  }
  return icons
}

/** The drawing for a grid, else that of the size nearest to it. */
export const nearest = (sizes: ReadonlyMap<number, ReadIcon>, grid: number): ReadIcon =>
  [...sizes].reduce((best, one) => (Math.abs(one[0] - grid) < Math.abs(best[0] - grid) ? one : best))[1]
