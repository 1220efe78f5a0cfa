import type { Check } from '../check'
import { ALL_BUT_SHUT, narrowsIn } from '../look/narrow-ground'
import { said } from '../look/seen'

/** Outlines that all but touch. */
export const nearlyTouching: Check = {
  id: 'nearly-touching',
  concerns: 'slips',
  word: 'nearly touching',
  severity: 'warning',
  find: (checked) =>
    narrowsIn(checked)
      .filter(({ width }) => width < (ALL_BUT_SHUT * checked.rules.grid.size) / 24)
      .map(({ from, to, width }) => ({
        sentence: `Two edges all but touch: ${said(width)} lies between them.`,
        objects: [],
        spot: { at: from, to },
      })),
}
