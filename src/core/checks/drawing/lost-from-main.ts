import type { Check, Checked } from '../check'
import type { Found } from '../snag'
import { farthestFrom } from '../look/away'
import { besideMain } from '../look/beside-main'
import { said } from '../look/seen'

/**
 * A contour farther than this from all contours of the other drawing has no counterpart, in pixels of the master's
 * grid.
 */
const FAR = 2

/** Something of the main master that is not in a master drawn by hand, or the other way around. */
export const lostFromMain: Check = {
  id: 'lost-from-main',
  concerns: 'slips',
  word: 'differs from the main master',
  severity: 'warning',
  find(checked) {
    const beside = besideMain(checked)
    // A drawing that is moved as a whole has a check of its own.
    if (!beside || beside.moved) return []
    const { own, main } = beside
    return [
      ...odd(farthestFrom(main, own, FAR), checked, 'The main master shows something here that this one does not'),
      ...odd(farthestFrom(own, main, FAR), checked, 'This master shows something here that the main one does not'),
    ]
  },
}

const odd = (found: ReturnType<typeof farthestFrom>, { rules }: Checked, words: string): Found[] =>
  found
    ? [
        {
          sentence: `${words}: ${said(found.away)} px away at ${rules.grid.size} px.`,
          objects: [],
          spot: { at: found.at },
        },
      ]
    : []
