import { startTransition, useEffect, useMemo, useRef, useState } from 'react'
import { familySnags } from '@/core/checks/family-snags'
import type { Snag } from '@/core/checks/snag'
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

/** Interval between updates in milliseconds: longer for large families, which are rendered anew as a whole. */
const pauseOf = (icons: number): number => Math.max(150, icons / 5)

type Known = { readonly rules: Rules; readonly balance: Balance | null }
const known = new WeakMap<Icon['masters'], Known>()

const balanceIn = (icon: Icon, rules: Rules): Balance | null | undefined => {
  const one = known.get(icon.masters)
  return one?.rules === rules ? one.balance : undefined
}

type Measured = Icon & Sibling & { readonly accepted: readonly Accepted[] }
const siblings = new WeakMap<Icon, Measured>()

/** An icon with its optical measures; the same object while both are unchanged, so that checks can cache by it. */
function siblingOf(icon: Icon, balance: Balance | null): Measured {
  const one = siblings.get(icon)
  if (one?.balance === balance) return one
  const measured = { ...icon, balance, accepted: acceptedIn(masterFor(icon)) }
  siblings.set(icon, measured)
  return measured
}

/** A partly measured family: the measures of each icon, and the number still unmeasured. */
export type FamilyMeasures = {
  readonly siblings: readonly Measured[]
  readonly waiting: number
}

/** Unanswered questions of a family, by icon. */
class Asked {
  private readonly questions = new Map<Icon['masters'], { readonly rules: Rules; readonly giveUp: () => void }>()

  /** Requests missing measures under rules and cancels outdated requests; unchanged icons keep theirs. */
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

/** The optical measures of all icons of a set, computed in a worker. */
export function useFamilyMeasures({ icons, rules }: IconSet): FamilyMeasures {
  // Results grow outside React; this counter triggers a render.
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
    // Checking thousands of icons is a task of its own, after the edit is on the screen.
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

/** Snags between icons, by icon id. */
export function useFamilySnags(family: FamilyMeasures, rules: Rules): ReadonlyMap<string, readonly Snag[]> {
  const alike = useAlikes(family, ALIKE)
  return useMemo(() => familySnags(family.siblings, rules, alike), [family, rules, alike])
}
