import { same } from '../drawing/model/same'
import { NAMED, SINGLES } from './own-keys'
import type { Rules } from './rules'

type Named = { readonly name: string }
const listOf = (rules: Rules, list: (typeof NAMED)[number]): readonly Named[] => rules[list] ?? []

/** The values in which two rule books differ: single values by key, items of lists as “weights/main”. */
export function differences(a: Rules, b: Rules): string[] {
  const singles = SINGLES.filter((key) => !same(a[key], b[key]))
  const items = NAMED.flatMap((list) => {
    const one = new Map(listOf(a, list).map((item) => [item.name, item])),
      other = new Map(listOf(b, list).map((item) => [item.name, item]))
    return [...new Set([...one.keys(), ...other.keys()])]
      .filter((name) => !same(one.get(name), other.get(name)))
      .map((name) => `${list}/${name}`)
  })
  return [...singles, ...items]
}

type Follows = NonNullable<Rules['follows']>

/** Whether two books follow the same set. Ids decide; where one book has no id, names do. */
export const isSameLeader = (a: Follows | undefined, b: Follows | undefined): boolean =>
  a?.id !== undefined && b?.id !== undefined ? a.id === b.id : a?.set === b?.set

/**
 * Rules after they took over the present rules of the set they follow. Values in `own` are kept. Items that the leader
 * lacks are kept too, so that no drawing loses a value it refers to.
 */
export function followed(leader: Rules, rules: Rules): Rules {
  const { follows } = rules
  if (!follows) return rules
  const own = new Set(follows.own)
  const next: Record<string, unknown> = { ...rules }
  for (const key of SINGLES) {
    if (own.has(key)) continue
    if (leader[key] === undefined) delete next[key]
    else next[key] = leader[key]
  }
  for (const list of NAMED) {
    const mine = new Map(listOf(rules, list).map((item) => [item.name, item]))
    // An item that was removed here stays removed.
    const led = listOf(leader, list).flatMap((item) =>
      own.has(`${list}/${item.name}`) ? (mine.get(item.name) ?? []) : item,
    )
    const all = [...led, ...[...mine.values()].filter(({ name }) => !led.some((item) => item.name === name))]
    if (all.length > 0 || rules[list]) next[list] = all
  }
  return next as Rules
}

/** Rules after a change in a set that follows another. Every changed value is added to its own. */
export function withOwn(before: Rules, after: Rules): Rules {
  const { follows } = after
  if (!follows || !isSameLeader(before.follows, follows)) return after
  const own = [...new Set([...follows.own, ...differences(before, after)])].sort()
  return own.length === follows.own.length ? after : { ...after, follows: { ...follows, own } }
}
