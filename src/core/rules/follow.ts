import { same } from '../drawing/same'
import type { Rules } from './rules'

/** The lists of a rule book whose items are known by their names. */
const LISTS = ['keylines', 'weights', 'radii', 'palette', 'gradients', 'finishes', 'plates', 'parts'] as const
/** What of a rule book is one value. */
const SINGLES = [
  'grid',
  'liveArea',
  'cap',
  'join',
  'miterLimit',
  'sizes',
  'densities',
  'masters',
  'strokes',
  'angles',
  'gap',
  'counter',
  'safeZone',
  'trim',
  'lines',
  'naming',
  'checks',
] as const

type Named = { readonly name: string }
const listOf = (rules: Rules, list: (typeof LISTS)[number]): readonly Named[] => rules[list] ?? []

/** What two rule books differ in: names of single values, and items of lists as “weights/main”. */
export function differences(a: Rules, b: Rules): string[] {
  const singles = SINGLES.filter((key) => !same(a[key], b[key]))
  const items = LISTS.flatMap((list) => {
    const one = new Map(listOf(a, list).map((item) => [item.name, item])),
      other = new Map(listOf(b, list).map((item) => [item.name, item]))
    return [...new Set([...one.keys(), ...other.keys()])]
      .filter((name) => !same(one.get(name), other.get(name)))
      .map((name) => `${list}/${name}`)
  })
  return [...singles, ...items]
}

/**
 * Rules that follow others, as those are now: everything but what is its own. What the others lack stays, so that no
 * drawing loses what it refers to.
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
  for (const list of LISTS) {
    const mine = new Map(listOf(rules, list).map((item) => [item.name, item]))
    const led = listOf(leader, list).map((item) => (own.has(`${list}/${item.name}`) && mine.get(item.name)) || item)
    const all = [...led, ...[...mine.values()].filter(({ name }) => !led.some((item) => item.name === name))]
    if (all.length > 0 || rules[list]) next[list] = all
  }
  return next as Rules
}

/** Rules after a change in a set that follows others: what was changed here is its own from then on. */
export function withOwn(before: Rules, after: Rules): Rules {
  const { follows } = after
  if (!follows || before.follows?.set !== follows.set) return after
  const own = [...new Set([...follows.own, ...differences(before, after)])].sort()
  return own.length === follows.own.length ? after : { ...after, follows: { ...follows, own } }
}
