import { same } from '../drawing/model/same'
import { onGridOf, withNamedValues } from './merge-set'
import { freeName, nameKey } from './names'
import type { Icon, IconSet } from './set'

/** Restores icons by id to an earlier state of their set, or the whole set except for its name. */
export type TakingBack = { readonly past: IconSet; readonly icons: readonly string[] | 'all' }

/**
 * A set with some icons restored to an earlier state. Where the rules have changed since, the icons are brought under the
 * present rules: onto the set's grid, with missing named values added.
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

/** Puts an icon among others: in its own place, else after the sibling it used to follow. Its name is made unique. */
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

/** An icon in an earlier state of its set and in the present one; null where that state lacks it. */
export type ThenAndNow = {
  readonly id: string
  readonly then: Icon | null
  readonly now: Icon | null
  readonly isSame: boolean
}

/** All icons of an earlier and the present state of a set, in the present order. Icons that are gone come last. */
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

/** The keys of the rules that have another value now. */
export function rulesThatDiffer(past: IconSet, set: IconSet): string[] {
  const [then, now] = [past.rules, set.rules] as unknown as Record<string, unknown>[]
  return [...new Set([...Object.keys(then!), ...Object.keys(now!)])].filter((key) => !same(then![key], now![key]))
}
