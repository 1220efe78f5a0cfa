import { useEffect, useState } from 'react'
import { onOtherGridFrom } from '@/core/set/restyle'
import type { Rules } from '@/core/rules/rules'
import type { IconSet } from '@/core/set/set'
import { fitAll } from '@/workers/fitters'

/** How often it is said how far the fitting is, in milliseconds. */
const PAUSE = 100

/**
 * How many of a set's drawings were brought to the grid of other rules by workers; null when all are, or there is
 * nothing to bring.
 */
export function useFitted(set: IconSet, to: Rules | null): { readonly done: number; readonly of: number } | null {
  const [state, setState] = useState<{ set: IconSet; to: Rules; done: number; of: number } | null>(null)
  useEffect(() => {
    if (!to) return
    const drawings = onOtherGridFrom(set)
    let done = 0,
      said = performance.now()
    if (drawings.length === 0) return
    return fitAll(drawings, set.rules, to, () => {
      const isLast = ++done === drawings.length
      if (!isLast && performance.now() - said < PAUSE) return
      said = performance.now()
      setState({ set, to, done, of: drawings.length })
    })
  }, [set, to])
  if (!to || set.icons.length === 0) return null
  const now = state?.set === set && state.to === to ? state : { done: 0, of: onOtherGridFrom(set).length }
  return now.done < now.of ? now : null
}
