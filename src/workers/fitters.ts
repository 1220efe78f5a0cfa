import { keepFitted } from '../core/rules/fit/fit'
import type { DrawingObject } from '../core/drawing/model/object'
import type { Rules } from '../core/rules/rules'
import { askAll } from './pool'

/**
 * Brings drawings from one rule book to the grid of another, so that the page knows what they come to without computing
 * it; `done` is told of each. What cannot be fitted by a worker is left to the page. Returns the way to give it up.
 */
export function fitAll(
  drawings: readonly (readonly DrawingObject[])[],
  from: Rules,
  to: Rules,
  done: () => void,
): () => void {
  let isWanted = true
  const giveUp = askAll(
    drawings.map((objects) => ({
      source: { objects, rules: from, ground: 'light', to },
      wanted: 'fitted',
      done(answer) {
        if (!isWanted) return
        if ('fitted' in answer) keepFitted(objects, from, to, answer.fitted)
        done()
      },
    })),
  )
  return () => {
    isWanted = false
    giveUp()
  }
}
