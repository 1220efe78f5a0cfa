import type { Check } from '../check'
import { apart, isMirrored, offDirections } from '../look/directions'
import { said } from '../look/seen'
import { NEARLY_STRAIGHT } from '../look/tolerance'

const WORDS: Readonly<Record<number, string>> = { 0: 'horizontal', 90: 'vertical', 45: 'at 45°', 135: 'at 45°' }

export const nearlyStraight: Check = {
  id: 'nearly-straight',
  concerns: 'slips',
  word: 'nearly horizontal, vertical or 45°',
  severity: 'warning',
  find: (checked) =>
    offDirections(
      checked,
      [0, 45, 90, 135],
      (away) => away < NEARLY_STRAIGHT,
      ({ object }, direction, nearest) =>
        `“${object.name}” is nearly ${WORDS[nearest]}: off by ${said(apart(direction, nearest))}°.`,
      isMirrored(checked),
    ),
}
