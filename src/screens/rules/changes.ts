import { useEffect, useState } from 'react'
import type { FitLoss } from '@/core/rules/fit/fit-losses'
import { type Icon, type IconSet } from '@/core/set/set'
import { changesOf } from '@/workers/changes'
import type { FitWithLosses } from '@/workers/fitters'

/** An icon before and after a pending change, with its losses as sentences. */
export type Change = {
  readonly before: Icon
  readonly after: Icon
  readonly strains: readonly string[]
}

/** Changed icons of a pending change: those found so far, and the number of compared ones. */
export type Changes = { readonly found: readonly Change[]; readonly looked: number }

export const NOTHING_YET: Changes = { found: [], looked: 0 }

/** Interval of updates, in milliseconds. */
const PAUSE = 120

/**
 * The icons that look otherwise in another state of the set, found by workers; null without another state. `fits` are the
 * drawings that were fitted for it.
 */
export function useChanges(
  before: IconSet,
  after: IconSet | null,
  fits: readonly FitWithLosses[] | null,
): Changes | null {
  const [answer, setAnswer] = useState<{ before: IconSet; after: IconSet; changes: Changes } | null>(null)
  useEffect(() => {
    if (!after) return
    const losses = new Map(fits?.filter(({ place }) => place === 0).map((fit) => [fit.icon, fit.losses]))
    const found: (Change | undefined)[] = []
    let looked = 0,
      shown = performance.now()
    return changesOf(before.icons, before.rules, after.icons, after.rules, (i, lost) => {
      looked++
      if (lost) found[i] = change(before.icons[i]!, after.icons[i]!, losses.get(before.icons[i]!.id) ?? [], lost)
      if (looked < before.icons.length && performance.now() - shown < PAUSE) return
      shown = performance.now()
      setAnswer({ before, after, changes: { found: worstFirst(found), looked } })
    })
  }, [before, after, fits])
  if (!after) return null
  return answer?.before === before && answer.after === after ? answer.changes : NOTHING_YET
}

/** Those that need a hand before those that follow, each in the order of the family. */
function worstFirst(found: readonly (Change | undefined)[]): Change[] {
  const all = found.filter((one) => one !== undefined)
  return [...all.filter(({ strains }) => strains.length > 0), ...all.filter(({ strains }) => strains.length === 0)]
}

/** A changed icon with its losses of fitting and its losses. */
function change(before: Icon, after: Icon, losses: readonly FitLoss[], lost: readonly string[]): Change {
  return { before, after, strains: [...new Set([...losses.map(({ why }) => why), ...lost])] }
}
