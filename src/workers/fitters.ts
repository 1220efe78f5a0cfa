import type { FitLoss } from '../core/rules/fit/fit-losses'
import type { Rules } from '../core/rules/rules'
import type { Fit } from '../core/set/restyle'
import { askAll } from './pool'

/** What a drawing becomes, and the losses that are left in it. */
export type FitWithLosses = Fit & { readonly losses: readonly FitLoss[] }

/**
 * Brings drawings from one rule book to the grid of another in workers; `done` is told of each, null where the worker gave
 * none. Returns the way to give it up.
 */
export function fitAll(
  drawings: readonly Omit<Fit, 'objects'>[],
  from: Rules,
  to: Rules,
  done: (fit: FitWithLosses | null) => void,
): () => void {
  let isWanted = true
  const giveUp = askAll(
    drawings.map((drawing) => ({
      source: { objects: drawing.of, rules: from, ground: 'light', to },
      wanted: 'fitted',
      done: (answer) => isWanted && done('fitted' in answer ? { ...drawing, ...answer.fitted } : null),
    })),
  )
  return () => {
    isWanted = false
    giveUp()
  }
}
