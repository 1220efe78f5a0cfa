import type { Problem } from '../findings/problem'
import type { LeftOut } from './run'

/** Whether a problem leaves a target, or an icon of it, out of a delivery. */
export const leavesOut = ({ isError, target }: Pick<Problem, 'isError' | 'target'>): boolean =>
  isError && target !== undefined

/**
 * Why a delivery cannot be released, as a sentence; null if it can. A release is complete: no target and no icon may be left
 * out of it.
 */
export function releaseRefusal(problems: readonly Problem[], leftOut: readonly LeftOut[]): string | null {
  const problem = problems.find(leavesOut)
  if (problem) return problem.sentence
  const [late] = leftOut
  return late ? `“${late.icon}” cannot be delivered. ${late.message}` : null
}
