import { useEffect, useState } from 'react'
import { strains } from '@/core/checks/condition'
import { flawsLeft } from '@/core/rules/fit/fit'
import { FLAW_WORDS } from '@/core/rules/fit/flaws'
import { type Icon, type IconSet, masterFor } from '@/core/set/set'
import { documentOf } from '@/workers/draw'
import { conditionOf } from '@/workers/questions'

/** An icon that a pending change would alter, before and after it, and what it loses by that, as sentences. */
export type Change = {
  readonly before: Icon
  readonly after: Icon
  readonly strains: readonly string[]
}

/** What is known of the icons that a pending change alters: those found so far, and how many were looked at. */
export type Changes = { readonly found: readonly Change[]; readonly looked: number }

const NOTHING: Changes = { found: [], looked: 0 }

/** How many icons are looked at at once. */
const AT_ONCE = 6
/** How often what was found is shown, in milliseconds. */
const PAUSE = 120

/**
 * The icons that look otherwise in another state of the set, found one after the other by a worker; null without
 * another state.
 */
export function useChanges(before: IconSet, after: IconSet | null): Changes | null {
  const [answer, setAnswer] = useState<{ before: IconSet; after: IconSet; changes: Changes } | null>(null)
  useEffect(() => {
    if (!after) return
    let isWanted = true
    void (async () => {
      const found: Change[] = []
      let shown = performance.now()
      for (let i = 0; i < before.icons.length && isWanted; i += AT_ONCE) {
        const some = before.icons.slice(i, i + AT_ONCE)
        const changes = await Promise.all(some.map((icon, k) => changeOf(icon, after.icons[i + k]!, before, after)))
        found.push(...changes.filter((one) => one !== null))
        const looked = Math.min(before.icons.length, i + AT_ONCE)
        if (!isWanted || (looked < before.icons.length && performance.now() - shown < PAUSE)) continue
        shown = performance.now()
        setAnswer({ before, after, changes: { found: worstFirst(found), looked } })
      }
    })()
    return () => {
      isWanted = false
    }
  }, [before, after])
  if (!after) return null
  return answer?.before === before && answer.after === after ? answer.changes : NOTHING
}

/** Those that need a hand before those that follow, each in the order of the family. */
const worstFirst = (found: readonly Change[]): Change[] => [
  ...found.filter(({ strains }) => strains.length > 0),
  ...found.filter(({ strains }) => strains.length === 0),
]

/** How an icon changes, and what it loses by that; null where it looks as before. */
async function changeOf(was: Icon, is: Icon, before: IconSet, after: IconSet): Promise<Change | null> {
  if (!(await looksOtherwise(was, is, before, after))) return null
  const [old, next] = await Promise.all([
    conditionOf(masterFor(was).objects, before.rules),
    conditionOf(masterFor(is).objects, after.rules),
  ])
  const flaws = flawsLeft(masterFor(was).objects, after.rules).map(({ kind }) => FLAW_WORDS[kind])
  return { before: was, after: is, strains: [...new Set(flaws), ...(old && next ? strains(old, next) : [])] }
}

async function looksOtherwise(was: Icon, is: Icon, before: IconSet, after: IconSet): Promise<boolean> {
  for (const ground of ['light', 'dark'] as const) {
    const [old, next] = await Promise.all([documentOf(was, before.rules, ground), documentOf(is, after.rules, ground)])
    if (old.svg !== next.svg || old.problem !== next.problem) return true
  }
  return false
}
