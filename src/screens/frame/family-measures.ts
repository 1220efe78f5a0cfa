import { startTransition, useEffect, useMemo, useState } from 'react'
import { familySnags } from '@/core/checks/family-snags'
import type { Snag } from '@/core/checks/check'
import { ALIKE } from '@/core/checks/family/look-alike'
import type { Sibling } from '@/core/checks/family-check'
import type { Balance } from '@/core/proof/balance'
import type { Accepted } from '@/core/drawing/model/accepted'
import type { Rules } from '@/core/rules/rules'
import { type Alike } from '@/core/proof/look-alikes'
import { acceptedIn, type Icon, type IconSet, masterFor } from '@/core/set/set'
import { alikesOf } from '@/workers/alikes'
import { balanceOf } from '@/workers/questions'

/** How often what was found is shown, in milliseconds: more seldom for a large family, of which all is drawn anew. */
const pauseOf = (icons: number): number => Math.max(150, icons / 5)

type Known = { readonly rules: Rules; readonly balance: Balance | null }
const known = new WeakMap<Icon['masters'], Known>()

const balanceIn = (icon: Icon, rules: Rules): Balance | null | undefined => {
  const one = known.get(icon.masters)
  return one?.rules === rules ? one.balance : undefined
}

type Measured = Icon & Sibling & { readonly accepted: readonly Accepted[] }
const siblings = new WeakMap<Icon, Measured>()

/** An icon with what it comes to by eye: the same object as long as both are the same, so that checks can remember it. */
function siblingOf(icon: Icon, balance: Balance | null): Measured {
  const one = siblings.get(icon)
  if (one?.balance === balance) return one
  const measured = { ...icon, balance, accepted: acceptedIn(masterFor(icon)) }
  siblings.set(icon, measured)
  return measured
}

/** A family as it is known so far: what each icon comes to by eye, how many are still to be looked at. */
export type FamilyMeasures = {
  readonly siblings: readonly Measured[]
  readonly waiting: number
}

/** What all icons of a set come to by eye, found in a worker. */
export function useFamilyMeasures({ icons, rules }: IconSet): FamilyMeasures {
  // What is known grows outside of React; this counts how often it was looked at again.
  const [round, drawAgain] = useState(0)
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const giveUps = icons.flatMap((icon) => {
      if (balanceIn(icon, rules) !== undefined) return []
      return [
        balanceOf(icon, rules, (balance) => {
          known.set(icon.masters, { rules, balance })
          timer ??= setTimeout(() => {
            timer = undefined
            startTransition(() => drawAgain((n) => n + 1))
          }, pauseOf(icons.length))
        }),
      ]
    })
    return () => {
      clearTimeout(timer)
      for (const giveUp of giveUps) giveUp()
    }
  }, [icons, rules])
  return useMemo((): FamilyMeasures => {
    const siblings = icons.map((icon) => siblingOf(icon, balanceIn(icon, rules) ?? null))
    const waiting = icons.filter((icon) => balanceIn(icon, rules) === undefined).length
    return { siblings, waiting }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [icons, rules, round])
}

/** The pairs of a family that are at least so much alike, by their ids, the most alike first; compared in a worker. */
export function useAlikes({ siblings }: FamilyMeasures, least: number): readonly Alike<string>[] {
  const [pairs, setPairs] = useState<readonly Alike<string>[]>([])
  useEffect(() => alikesOf(siblings, least, setPairs), [siblings, least])
  return pairs
}

/** What is found of icons beside each other, by their ids. */
export function useFamilySnags(family: FamilyMeasures, rules: Rules): ReadonlyMap<string, readonly Snag[]> {
  const alike = useAlikes(family, ALIKE)
  return useMemo(() => familySnags(family.siblings, rules, alike), [family, rules, alike])
}
