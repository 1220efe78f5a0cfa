import { same } from '../drawing/model/same'
import { onGridOf, withNamedValues } from './merge-set'
import { freeName, nameKey } from './names'
import type { Icon, IconSet } from './set'

/** Taking icons back to how they were in an earlier state of their set, by id; or all of it, its name aside. */
export type TakingBack = { readonly past: IconSet; readonly icons: readonly string[] | 'all' }

/**
 * A set with icons as they were. Under other rules than theirs they are drawn as a change of the rules would have left
 * them: on the set's grid, and with what they refer to by name.
 */
export function asItWas(set: IconSet, { past, icons }: TakingBack): IconSet {
  if (icons === 'all') {
    const { delivery: _, ...rest } = set
    return { ...rest, rules: past.rules, ...(past.delivery && { delivery: past.delivery }), icons: past.icons }
  }
  const wanted = new Set(icons)
  const chosen = past.icons.filter(({ id }) => wanted.has(id))
  const back = onGridOf({ ...past, icons: chosen }, set.rules).icons
  const next = back.reduce((all, icon) => withIcon(all, past, icon), set.icons)
  return withNamedValues({ ...set, icons: next }, [past.rules])
}

/** Icons with one in the place that it has, or else behind the sibling it was behind, under a name that no other has. */
function withIcon(icons: readonly Icon[], past: IconSet, given: Icon): Icon[] {
  const others = icons.filter(({ id }) => id !== given.id)
  const isTaken = others.some(({ name }) => nameKey(name) === nameKey(given.name))
  const icon = isTaken
    ? {
        ...given,
        name: freeName(
          given.name,
          others.map(({ name }) => name),
        ),
      }
    : given
  if (others.length < icons.length) return icons.map((one) => (one.id === icon.id ? icon : one))
  const before = past.icons.slice(
    0,
    past.icons.findIndex(({ id }) => id === icon.id),
  )
  const sibling = before.findLast(({ id }) => icons.some((one) => one.id === id))
  const at = sibling ? icons.findIndex(({ id }) => id === sibling.id) + 1 : 0
  return [...icons.slice(0, at), icon, ...icons.slice(at)]
}

/** An icon in an earlier state of its set and now; null where it is not there. */
export type ThenAndNow = {
  readonly id: string
  readonly then: Icon | null
  readonly now: Icon | null
  readonly isSame: boolean
}

/** All icons of an earlier state and of a set as it is now, in the order of now; those that are gone stand last. */
export function thenAndNow(past: IconSet, set: IconSet): ThenAndNow[] {
  const were = new Map(past.icons.map((icon) => [icon.id, icon]))
  const are = new Set(set.icons.map(({ id }) => id))
  return [
    ...set.icons.map((now) => {
      const then = were.get(now.id) ?? null
      return { id: now.id, then, now, isSame: then !== null && same(then, now) }
    }),
    ...past.icons.flatMap((then) => (are.has(then.id) ? [] : [{ id: then.id, then, now: null, isSame: false }])),
  ]
}

/** The parts of the rules that were otherwise, by their keys. */
export function rulesThatDiffer(past: IconSet, set: IconSet): string[] {
  const [then, now] = [past.rules, set.rules] as unknown as Record<string, unknown>[]
  return [...new Set([...Object.keys(then!), ...Object.keys(now!)])].filter((key) => !same(then![key], now![key]))
}
