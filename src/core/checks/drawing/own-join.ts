import type { Check } from '../check'
import { ownEnds } from '../look/ends'

/** Strokes whose joins are not those of the rules. */
export const ownJoin: Check = {
  id: 'own-join',
  concerns: 'rules',
  word: 'joins not in the rules',
  severity: 'note',
  ...ownEnds('join'),
}
