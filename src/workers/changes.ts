import type { Rules } from '../core/rules/rules'
import { type Icon, masterFor } from '../core/set/set'
import { askAll } from './pool'

/**
 * Finds in workers what a change of rules does to each of a set's icons; `done` is told of each by its place: null where it
 * looks as before, else what it loses, as sentences. Of what cannot be compared nothing is said to be lost. Returns the
 * way to give it up.
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
