import type { Check } from '../check'
import { ownEnds } from '../look/ends'

/** Strokes whose caps are not those of the rules. */
export const ownCap: Check = {
  id: 'own-cap',
  concerns: 'rules',
  word: 'caps not in the rules',
  severity: 'note',
  ...ownEnds('cap'),
}
