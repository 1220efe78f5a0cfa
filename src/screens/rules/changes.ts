import { useEffect, useState } from 'react'
import type { IconSet } from '@/core/set/set'
import { documentOf } from '@/workers/draw'

/** An icon that a pending change would alter, before and after it. */
export type Change = { readonly before: IconSet['icons'][number]; readonly after: IconSet['icons'][number] }

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
        const some = before.icons.slice(i, i + AT_ONCE).map((icon, k) => ({ before: icon, after: after.icons[i + k]! }))
        const differ = await Promise.all(some.map((one) => looksOtherwise(one, before, after)))
        found.push(...some.filter((_, k) => differ[k]))
        const looked = Math.min(before.icons.length, i + AT_ONCE)
        if (!isWanted || (looked < before.icons.length && performance.now() - shown < PAUSE)) continue
        shown = performance.now()
        setAnswer({ before, after, changes: { found: [...found], looked } })
      }
    })()
    return () => {
      isWanted = false
    }
  }, [before, after])
  if (!after) return null
  return answer?.before === before && answer.after === after ? answer.changes : NOTHING
}

async function looksOtherwise(change: Change, before: IconSet, after: IconSet): Promise<boolean> {
  for (const ground of ['light', 'dark'] as const) {
    const [was, is] = await Promise.all([
      documentOf(change.before, before.rules, ground),
      documentOf(change.after, after.rules, ground),
    ])
    if (was.svg !== is.svg || was.problem !== is.problem) return true
  }
  return false
}
