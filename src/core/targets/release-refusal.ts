import type { LeftOut } from './run'
import type { DeliveryProblem } from './target'

/** Whether a problem leaves a target, or an icon of it, out of a delivery. */
export const leavesOut = ({ isError, target }: Pick<DeliveryProblem, 'isError' | 'target'>): boolean =>
  isError && target !== undefined

/**
 * Why a delivery cannot be released, as a sentence; null if it can. A release is complete: no target and no icon may be left
 * out of it.
 */
export function releaseRefusal(problems: readonly DeliveryProblem[], leftOut: readonly LeftOut[]): string | null {
  const problem = problems.find(leavesOut)
  if (problem) return problem.sentence
  const [late] = leftOut
  return late ? `“${late.icon}” cannot be delivered. ${late.message}` : null
}
