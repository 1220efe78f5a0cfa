import { nextCode, unitedCodes } from '../../set/code-points'
import type { Family } from '../target'

/**
 * The code point of each icon, by its id: the released one, or the next unused one. Code points of deleted icons are
 * not used again.
 */
export function codesOf({ icons, delivery }: Pick<Family, 'icons' | 'delivery'>): ReadonlyMap<string, number> {
  // A file may give one code point to two icons.
  const codes: Record<string, number> = { ...unitedCodes({}, delivery?.codes) }
  let next = nextCode(codes)
  for (const { id } of icons) {
    if (codes[id] !== undefined) continue
    codes[id] = next
    next = nextCode({ next })
  }
  return new Map(icons.map(({ id }) => [id, codes[id]!]))
}

/** What a release keeps: the code points of all icons, those of icons that are no more included. */
export const keptCodes = (family: Pick<Family, 'icons' | 'delivery'>): Record<string, number> => ({
  ...unitedCodes({}, family.delivery?.codes),
  ...Object.fromEntries(codesOf(family)),
})
