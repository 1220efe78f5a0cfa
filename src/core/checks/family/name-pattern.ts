import type { Found } from '../snag'
import { type FamilyCheck, about } from '../family-check'
import { nameProblem } from './naming'

/** Names that do not follow the pattern of the rules. */
export const namePattern: FamilyCheck = {
  id: 'name-pattern',
  word: 'names that break the pattern',
  severity: 'warning',
  find: (family, rules) =>
    new Map(
      family.flatMap(({ id, name }): [string, Found][] => {
        const problem = nameProblem(name, rules)
        return problem ? [about(id, problem)] : []
      }),
    ),
}
