import type { Check } from '../check'
import { narrower } from '../look/narrow-ground'

/** Gaps that close at the smallest size. */
export const smallGap: Check = {
  id: 'small-gap',
  concerns: 'size',
  isLoss: true,
  limit: 'gap',
  isSeen: true,
  word: 'gaps too small',
  severity: 'warning',
  find: (checked) => narrower(checked, checked.rules.gap, ({ isCounter }) => !isCounter, 'gap'),
}
