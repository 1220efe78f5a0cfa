import { startTransition, useEffect, useMemo, useRef, useState } from 'react'
import { familySnags } from '@/core/checks/family-snags'
import type { Snag } from '@/core/checks/check'
import { ALIKE } from '@/core/checks/family/look-alike'
import type { Sibling } from '@/core/checks/family-check'
import type { Balance } from '@/core/proof/balance'
import type { Accepted } from '@/core/drawing/model/accepted'
import type { Rules } from '@/core/rules/rules'
import { type Alike } from '@/core/proof/look-alikes'
import { acceptedIn, type Icon, type IconSet, masterFor } from '@/core/set/set'
import { say } from '@/ui/notice'
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

/** The questions of a family that are not answered yet, by what they are asked of. */
class Asked {
  private readonly questions = new Map<Icon['masters'], { readonly rules: Rules; readonly giveUp: () => void }>()

  /** Asks what is not known of icons under rules, and gives up all else: where one of thousands changes, the others go on. */
  ask(icons: readonly Icon[], rules: Rules, found: () => void): void {
    const there = new Set(icons.map(({ masters }) => masters))
    this.giveUp((masters, one) => !there.has(masters) || one.rules !== rules)
    for (const icon of icons) {
      const { masters } = icon
      if (balanceIn(icon, rules) !== undefined || this.questions.has(masters)) continue
      const giveUp = balanceOf(icon, rules, (balance) => {
        known.set(masters, { rules, balance })
        if (this.questions.get(masters)?.rules === rules) this.questions.delete(masters)
        found()
      })
      this.questions.set(masters, { rules, giveUp })
    }
  }

  giveUp(isNeedless: (masters: Icon['masters'], one: { readonly rules: Rules }) => boolean = () => true): void {
    for (const [masters, one] of this.questions) {
      if (!isNeedless(masters, one)) continue
      one.giveUp()
      this.questions.delete(masters)
    }
  }
}

/** What all icons of a set come to by eye, found in a worker. */
export function useFamilyMeasures({ icons, rules }: IconSet): FamilyMeasures {
  // What is known grows outside of React; this counts how often it was looked at again.
  const [round, drawAgain] = useState(0)
  const [asked] = useState(() => new Asked())
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(() => {
    const found = () => {
      timer.current ??= setTimeout(() => {
        timer.current = undefined
        startTransition(() => drawAgain((n) => n + 1))
      }, pauseOf(icons.length))
    }
    // Thousands are looked through: that is a task of its own, after what was done is seen.
    const soon = setTimeout(() => asked.ask(icons, rules, found))
    return () => clearTimeout(soon)
  }, [asked, icons, rules])
  useEffect(
    () => () => {
      clearTimeout(timer.current)
      timer.current = undefined
      asked.giveUp()
    },
    [asked],
  )
  return useMemo((): FamilyMeasures => {
    const siblings = icons.map((icon) => siblingOf(icon, balanceIn(icon, rules) ?? null))
    const waiting = icons.filter((icon) => balanceIn(icon, rules) === undefined).length
    return { siblings, waiting }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [icons, rules, round])
}

const sayUncompared = (why: string) => say({ text: `Icons were not compared with each other. ${why}`, tone: 'fault' })

/** The pairs of a family that are at least so much alike, by their ids, the most alike first; compared in a worker. */
export function useAlikes({ siblings }: FamilyMeasures, least: number): readonly Alike<string>[] {
  const [pairs, setPairs] = useState<readonly Alike<string>[]>([])
  useEffect(() => alikesOf(siblings, least, setPairs, sayUncompared), [siblings, least])
  return pairs
}

/** What is found of icons beside each other, by their ids. */
export function useFamilySnags(family: FamilyMeasures, rules: Rules): ReadonlyMap<string, readonly Snag[]> {
  const alike = useAlikes(family, ALIKE)
  return useMemo(() => familySnags(family.siblings, rules, alike), [family, rules, alike])
}
