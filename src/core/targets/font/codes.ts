import { nextCode, unitedCodes, withCodes } from '../../set/code-points'
import type { Delivery } from '../../set/settings'
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

/**
 * The delivery settings of a set with the code points of all icons fixed, those of deleted icons included. Each release
 * fixes them; the same settings if nothing changes.
 */
export const withFixedCodes = (family: Pick<Family, 'icons' | 'delivery'>): Delivery | undefined =>
  withCodes(family.delivery, {
    ...unitedCodes({}, family.delivery?.codes),
    ...Object.fromEntries(codesOf(family)),
  })
