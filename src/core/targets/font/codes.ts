import type { Family } from '../target'

/** Where the code points of icons begin: in the private use area of the first plane, and beyond it in a plane of its own. */
const FIRST = 0xe001,
  LAST = 0xf8ff,
  BEYOND = 0xf0000

/**
 * The code point of each icon, by its id: as it was released, else the next one that none ever had. What an icon had that
 * is no more is not given again.
 */
export function codesOf({ icons, delivery }: Pick<Family, 'icons' | 'delivery'>): ReadonlyMap<string, number> {
  const kept = delivery?.codes ?? {}
  let next = Math.max(FIRST - 1, ...Object.values(kept)) + 1
  return new Map(
    icons.map(({ id }) => {
      const own = kept[id]
      if (own !== undefined) return [id, own]
      if (next > LAST && next < BEYOND) next = BEYOND
      return [id, next++]
    }),
  )
}
