import { useEffect, useMemo, useState } from 'react'
import { familySnags } from '@/core/checks/checks'
import type { Snag } from '@/core/checks/check'
import type { Sibling } from '@/core/checks/family'
import type { Balance } from '@/core/proof/balance'
import type { Rules } from '@/core/rules/rules'
import { acceptedIn, type Icon, type IconSet, masterFor } from '@/core/set/set'
import { balanceOf } from '@/workers/questions'

/** How often what was found is shown, in milliseconds. */
const PAUSE = 150

type Known = { readonly rules: Rules; readonly balance: Balance | null }
const known = new WeakMap<Icon['masters'], Known>()

const balanceIn = (icon: Icon, rules: Rules): Balance | null | undefined => {
  const one = known.get(icon.masters)
  return one?.rules === rules ? one.balance : undefined
}

/** A family as it is known so far: what each icon comes to by eye, how many are still to be looked at. */
export type Family = {
  readonly siblings: readonly Sibling[]
  readonly waiting: number
  readonly snags: ReadonlyMap<string, readonly Snag[]>
}

/** What all icons of a set come to by eye, and what is found of them beside each other; found in a worker. */
export function useFamily({ icons, rules }: IconSet): Family {
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
            drawAgain((n) => n + 1)
          }, PAUSE)
        }),
      ]
    })
    return () => {
      clearTimeout(timer)
      for (const giveUp of giveUps) giveUp()
    }
  }, [icons, rules])
  return useMemo((): Family => {
    const siblings = icons.map((icon) => ({
      id: icon.id,
      name: icon.name,
      balance: balanceIn(icon, rules) ?? null,
      accepted: acceptedIn(masterFor(icon)),
    }))
    const waiting = icons.filter((icon) => balanceIn(icon, rules) === undefined).length
    return { siblings, waiting, snags: familySnags(siblings, rules) }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [icons, rules, round])
}
