import { baseFor } from '../rules/rules-for-grid'
import type { Rules } from '../rules/rules'
import type { Crispness } from '../geometry/crispness'

/** A delivered size at which most straight edges lie between pixels: the grid it is drawn on, and the share that is soft. */
export type SoftSize = { readonly size: number; readonly base: number; readonly share: number }

/** How many icons stand for a set: their edges lie as those of all others. */
const SAMPLE = 24

/** Some icons out of the whole of a set, evenly, whose crispness tells of all. */
export function sampleOf<T>(icons: readonly T[]): readonly T[] {
  const every = Math.max(1, Math.floor(icons.length / SAMPLE))
  return icons.filter((_, i) => i % every === 0).slice(0, SAMPLE)
}

/** Above so many pixels a soft edge is not seen. */
const SEEN = 64

/** The least share of straight edges between pixels that is said. */
const MOST = 0.5

/**
 * The delivered sizes without a master of their own at which most straight edges of the icons are soft. `measures` are the
 * crispness of each icon at each size of the rules, in their order.
 */
export function softSizes(measures: readonly (readonly Crispness[])[], rules: Rules): SoftSize[] {
  return rules.sizes.flatMap((size, i) => {
    const base = baseFor(rules, size)
    if (size > SEEN || size === base) return []
    const long = measures.reduce((sum, all) => sum + (all[i]?.length ?? 0), 0),
      crisp = measures.reduce((sum, all) => sum + (all[i]?.crisp ?? 0), 0)
    const share = long === 0 ? 0 : 1 - crisp / long
    return share > MOST ? [{ size, base, share }] : []
  })
}

/** Soft sizes in a sentence, with the way to mend them. */
export function softSentence(soft: readonly SoftSize[]): string {
  const list = soft.map(({ size, base, share }) => `${size} px (from ${base}, ${Math.round(100 * share)}\u00a0%)`)
  const all = list.length === 1 ? list[0] : `${list.slice(0, -1).join(', ')} and ${list.at(-1)}`
  return `Most straight edges lie between pixels at ${all}: a master for this size puts them on pixels.`
}
