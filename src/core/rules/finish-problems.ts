import type { NamedValues } from '../drawing/model/values'
import { withStyleNames } from '../drawing/objects/visit'
import { LISTS } from './lists'

/** Problems of the shared finishes of a rule book, as sentences. */
export function finishProblems(rules: NamedValues): string[] {
  const problems: string[] = []
  for (const { name, style } of rules.finishes ?? []) {
    withStyleNames(style, (kind, used) => {
      if (!(rules[LISTS[kind]] ?? []).some((value) => value.name === used))
        problems.push(`The finish “${name}” uses the ${kind} “${used}”, which the rules do not have.`)
      return used
    })
  }
  return problems
}
