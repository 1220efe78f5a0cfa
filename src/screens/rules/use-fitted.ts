import { useEffect, useState } from 'react'
import { onOtherGridFrom } from '@/core/set/restyle'
import type { Rules } from '@/core/rules/rules'
import type { IconSet } from '@/core/set/set'
import { fitAll, type FitWithLosses } from '@/workers/fitters'

/** How often it is said how far the fitting is, in milliseconds. */
const PAUSE = 100

/** Progress of fitting a set's drawings to another grid, and the fitted drawings once all are done. */
export type Fitting = {
  readonly done: number
  readonly of: number
  readonly fits: readonly FitWithLosses[] | null
}

/** Brings the drawings of a set to the grid of other rules in workers; null where there is nothing to bring. */
export function useFitted(set: IconSet, to: Rules | null): Fitting | null {
  const [state, setState] = useState<{ set: IconSet; to: Rules; fitting: Fitting } | null>(null)
  useEffect(() => {
    if (!to) return
    const drawings = onOtherGridFrom(set)
    const fits: FitWithLosses[] = []
    let done = 0,
      said = performance.now()
    if (drawings.length === 0) return
    return fitAll(drawings, set.rules, to, (fit) => {
      if (fit) fits.push(fit)
      const isLast = ++done === drawings.length
      if (!isLast && performance.now() - said < PAUSE) return
      said = performance.now()
      setState({ set, to, fitting: { done, of: drawings.length, fits: isLast ? fits : null } })
    })
  }, [set, to])
  if (!to || set.icons.length === 0) return null
  return state?.set === set && state.to === to
    ? state.fitting
    : { done: 0, of: onOtherGridFrom(set).length, fits: null }
}
