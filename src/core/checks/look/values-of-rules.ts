import type { NamedNumber } from '../../drawing/model/values'

/** The named value nearest to a number; null where the rules have none. */
export const nearestNamed = (value: number, list: readonly NamedNumber[]): NamedNumber | null =>
  list.reduce<NamedNumber | null>(
    (best, one) => (best && Math.abs(best.value - value) <= Math.abs(one.value - value) ? best : one),
    null,
  )
