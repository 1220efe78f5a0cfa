import { cannotBeDrawn } from './cannot-be-drawn'
import type { Check, Checked, Snag } from './check'

/** Everything that is looked for, in the order in which it is shown. */
export const CHECKS: readonly Check[] = [cannotBeDrawn]

/** What is found in a drawing. */
export const snagsIn = (checked: Checked): Snag[] =>
  CHECKS.flatMap(({ id, find }) => find(checked).map((one) => ({ check: id, ...one })))
