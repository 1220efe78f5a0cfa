import type { Rules } from '../core/rules/rules'
import { type Icon, masterFor } from '../core/set/set'
import { askAll } from './pool'

/**
 * Compares each icon of a set before and after a change of rules, in workers. `done` gets its index, and null if it
 * looks the same, else its losses as sentences; none if it cannot be compared. Returns a function that cancels.
 */
export function changesOf(
  icons: readonly Icon[],
  before: Rules,
  becoming: readonly Icon[],
  after: Rules,
  done: (index: number, lost: readonly string[] | null) => void,
): () => void {
  let isWanted = true
  const giveUp = askAll(
    icons.map((icon, i) => ({
      source: {
        objects: masterFor(icon).objects,
        rules: before,
        ground: 'light',
        to: after,
        becomes: masterFor(becoming[i]!).objects,
      },
      wanted: 'change',
      done: (answer) => isWanted && done(i, 'change' in answer ? answer.change : []),
    })),
  )
  return () => {
    isWanted = false
    giveUp()
  }
}
