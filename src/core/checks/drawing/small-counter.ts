import type { Check } from '../check'
import { narrower } from '../look/narrow-ground'

/** Counters that fill at the smallest size. */
export const smallCounter: Check = {
  id: 'small-counter',
  concerns: 'size',
  isLoss: true,
  limit: 'counter',
  isSeen: true,
  word: 'counters too small',
  severity: 'warning',
  find: (checked) => narrower(checked, checked.rules.counter, ({ isCounter }) => isCounter, 'counter'),
}
