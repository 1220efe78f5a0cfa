import type { Found } from '../snag'
import { type FamilyCheck, about, type Sibling } from '../family-check'

/** How far an icon's weight may be from the middle of the family, as a share of that, before it stands out. */
const OUT_OF_FAMILY = 0.65

/** Icons whose weight stands out of the family, to one side. */
export const outOfFamily = (id: string, word: string, heavy: boolean): FamilyCheck => ({
  id,
  word,
  severity: 'note',
  find(family) {
    const middle = middleOf(family)
    return new Map(
      family.flatMap((one): [string, Found][] => {
        const share = one.balance && one.balance.weight / middle - 1
        if (!share || (heavy ? share < OUT_OF_FAMILY : share > -OUT_OF_FAMILY)) return []
        const percent = Math.round(Math.abs(share) * 100)
        return [about(one.id, `It has ${percent} % ${heavy ? 'more' : 'less'} ink than the median icon of the set.`)]
      }),
    )
  },
})

const middles = new WeakMap<readonly Sibling[], number>()

/** The middle of the weights of a family, remembered for it: both sides ask. */
function middleOf(family: readonly Sibling[]): number {
  let middle = middles.get(family)
  if (middle === undefined) {
    middle = median(family.flatMap(({ balance }) => (balance ? [balance.weight] : [])))
    middles.set(family, middle)
  }
  return middle
}

export const median = (values: readonly number[]): number => {
  const sorted = Float64Array.from(values).sort(),
    half = Math.floor(sorted.length / 2)
  return sorted.length === 0 ? 0 : sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}
