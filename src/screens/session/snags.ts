import { useDeferredValue, useEffect, useMemo, useSyncExternalStore } from 'react'
import type { Snag } from '@/core/checks/snag'
import { isAccepted } from '@/core/checks/accepting'
import { type Memory, remembered } from '@/core/drawing/scene/memory'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { rulesForGrid } from '@/core/rules/rules-for-grid'
import type { Rules } from '@/core/rules/rules'
import { acceptedIn, type Icon, masterFor, type Master } from '@/core/set/set'
import { derivedSnagsOf, furtherSnagsOf, type Search as Found, snagsBesideMain, snagsOf } from '@/workers/questions'

type Ask = (done: (found: Found) => void) => () => void
type Search = { readonly rules: Rules; readonly giveUp: () => void; wanted: number }

/** Cache of snags by drawing, with the rules of the search; and pending searches. */
const known = new WeakMap<object, { readonly rules: Rules; readonly snags: readonly Snag[] }>()
const searches = new WeakMap<object, Search>()
const listeners = new Set<() => void>()
/** How many drawings were looked at so far. */
let looked = 0

const foundIn = (objects: object | null, rules: Rules): readonly Snag[] | null => {
  const one = objects && known.get(objects)
  return one?.rules === rules ? one.snags : null
}

/**
 * Looks for the snags of a drawing, or of all that an icon is beside its main one, in a worker, once for all who want
 * them; returns the way to want them no more.
 */
function look(objects: object, rules: Rules, ask: Ask): (() => void) | undefined {
  if (foundIn(objects, rules)) return undefined
  let search = searches.get(objects)
  if (search?.rules !== rules) {
    search?.giveUp()
    const giveUp = ask((found) => {
      known.set(objects, { rules, snags: 'snags' in found ? found.snags : [unlooked(found.problem)] })
      searches.delete(objects)
      looked++
      for (const listener of listeners) listener()
    })
    searches.set(objects, (search = { rules, giveUp, wanted: 0 }))
  }
  const own = search
  own.wanted++
  return () => {
    if (--own.wanted > 0 || searches.get(objects) !== own) return
    own.giveUp()
    searches.delete(objects)
  }
}

/** Stands among the snags for a search that failed. */
export const UNLOOKED = 'not-looked-at'
const unlooked = (problem: string): Snag => ({
  check: UNLOOKED,
  word: 'not checked',
  severity: 'warning',
  sentence: `It could not be checked. ${problem}`,
  objects: [],
})

/** Looks again at drawings whose search failed: whatever shows them asks anew. */
export function lookAgain(objects: object, main: object | null = null): void {
  known.delete(keyBeside(objects, main))
  looked++
  again++
  for (const listener of listeners) listener()
}

/** How often it was asked to look again. */
let again = 0
const useAgain = (): number =>
  useSyncExternalStore(
    listen,
    () => again,
    () => 0,
  )

function listen(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Origin of a master, for checks: derived, or to be compared with the main one. */
export type Beside = { readonly isDerived?: boolean; readonly main?: readonly DrawingObject[] | null }
const ALONE: Beside = {}

/**
 * The snags of a master under rules, but for those that are accepted; found in a worker, and null until then. Only what
 * changed is looked at again.
 */
export function useSnags(
  master: Master | null,
  setRules: Rules,
  { isDerived = false, main = null }: Beside = ALONE,
): readonly Snag[] | null {
  const objects = master?.objects ?? null
  const rules = master ? rulesForGrid(setRules, master.base) : setRules
  const key = objects && keyBeside(objects, main)
  const all = useSyncExternalStore(
    listen,
    () => foundIn(key, rules),
    () => null,
  )
  const tries = useAgain()
  useEffect(() => {
    if (!objects || !key) return
    return look(key, rules, (done) =>
      main ? snagsBesideMain(objects, main, rules, done) : (isDerived ? derivedSnagsOf : snagsOf)(objects, rules, done),
    )
  }, [objects, key, main, rules, isDerived, tries])
  return all && master && unaccepted(all, master)
}

const pairs: Memory<object, object, object> = new WeakMap()

/** What a drawing's snags are remembered by: itself, or it together with the one that it is compared with. */
const keyBeside = (objects: object, main: object | null): object =>
  main ? remembered(pairs, main, objects, () => ({})) : objects

/** The snags of a master without accepted ones. */
function unaccepted(all: readonly Snag[], master: Master): readonly Snag[] {
  const accepted = acceptedIn(master)
  return accepted.length === 0 ? all : all.filter((snag) => !isAccepted(snag, accepted, master.base))
}

const lookFurther = (icon: Icon, rules: Rules) =>
  rules.masters?.length ? look(icon.masters, rules, (done) => furtherSnagsOf(icon, rules, done)) : undefined

/** The snags of an icon on the further grids of its set, without accepted ones; null until known. */
export function useFurtherSnags(icon: Icon, rules: Rules): readonly Snag[] | null {
  const all = useSyncExternalStore(
    listen,
    () => foundIn(icon.masters, rules),
    () => null,
  )
  useEffect(() => lookFurther(icon, rules), [icon, rules])
  return all
}

/** Ids of the checked icons that have snags other than hints. Checks icons only if wanted. */
export function useSnagged(icons: readonly Icon[], setRules: Rules, isWanted: boolean): ReadonlySet<string> {
  const rules = rulesForGrid(setRules, setRules.grid.size)
  const count = useDeferredValue(
    useSyncExternalStore(
      listen,
      () => looked,
      () => 0,
    ),
  )
  useEffect(() => {
    if (!isWanted) return
    const giveUps = icons.flatMap((icon) => {
      const { objects } = masterFor(icon)
      return [look(objects, rules, (done) => snagsOf(objects, rules, done)), lookFurther(icon, setRules)]
    })
    return () => giveUps.forEach((giveUp) => giveUp?.())
  }, [icons, rules, setRules, isWanted])
  return useMemo(() => {
    const snagged = icons.filter((icon) => {
      const master = masterFor(icon),
        all = isWanted && count >= 0 && foundIn(master.objects, rules)
      return (
        (all && weighty(unaccepted(all, master)).length > 0) ||
        (isWanted && weighty(foundIn(icon.masters, setRules) ?? []).length > 0)
      )
    })
    return new Set(snagged.map(({ id }) => id))
  }, [icons, rules, setRules, isWanted, count])
}

/** Those that are more than a hint. */
export const weighty = (snags: readonly Snag[]): readonly Snag[] => snags.filter(({ severity }) => severity !== 'note')
