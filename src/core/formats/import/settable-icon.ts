import type { z } from 'zod'
import type { Rules } from '../../rules/rules'
import { Icon, iconProblems } from '../../set/set'

/** An icon as a set under rules can hold it; or why none can, as a sentence. */
export function settableIcon(icon: unknown, rules: Rules): { readonly icon: Icon } | { readonly problem: string } {
  const read = Icon.safeParse(icon)
  if (!read.success) {
    const why = read.error.issues.some(isBoundless) ? ': a number in it is too large' : ''
    return { problem: `A set cannot hold this drawing${why}.` }
  }
  const [problem] = iconProblems(read.data, rules)
  return problem === undefined ? { icon: read.data } : { problem }
}

/** Whether a number is none that can be counted with, or farther from nothing than a set can hold. */
function isBoundless(issue: z.core.$ZodIssue): boolean {
  switch (issue.code) {
    case 'invalid_type':
      return issue.expected === 'number'
    case 'too_big':
      return issue.origin === 'number'
    case 'too_small':
      return issue.origin === 'number' && Number(issue.minimum) < 0
    default:
      return false
  }
}
